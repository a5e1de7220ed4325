package org.ysometron.app.store;

import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.orm.jpa.vendor.HibernateJpaVendorAdapter;

/** How connections are used. */
@Configuration(proxyBeanMethods = false)
class Connections {

    /**
     * A step that only reads is read-only to Hibernate, which then looks for no changes; the server is not told each time, for
     * telling it and taking it back costs two ways to it for each question.
     */
    @Bean
    static BeanPostProcessor readOnlyStaysHere() {
        return new BeanPostProcessor() {
            @Override
            public Object postProcessAfterInitialization(Object bean, String name) {
                if (bean instanceof HibernateJpaVendorAdapter adapter) {
                    adapter.getJpaDialect().setPrepareConnection(false);
                }
                return bean;
            }
        };
    }
}
