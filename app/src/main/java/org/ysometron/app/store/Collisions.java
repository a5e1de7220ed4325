package org.ysometron.app.store;

import java.time.Duration;
import org.aopalliance.intercept.MethodInterceptor;
import org.aopalliance.intercept.MethodInvocation;
import org.jspecify.annotations.Nullable;
import org.springframework.aop.Advisor;
import org.springframework.aop.support.DefaultPointcutAdvisor;
import org.springframework.aop.support.annotation.AnnotationMatchingPointcut;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Role;
import org.springframework.core.Ordered;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.transaction.UnexpectedRollbackException;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Repeats a {@link Write} that collided; outside of its transaction, for what collided is rolled back. */
@Configuration(proxyBeanMethods = false)
@Role(BeanDefinition.ROLE_INFRASTRUCTURE)
class Collisions {

    private static final int TRIES = 8;

    private static final RetryTemplate AGAIN = new RetryTemplate(RetryPolicy.builder()
            .includes(
                    ConcurrencyFailureException.class,
                    DataIntegrityViolationException.class,
                    UnexpectedRollbackException.class)
            .maxRetries(TRIES)
            .delay(Duration.ofMillis(10))
            .jitter(Duration.ofMillis(10))
            .multiplier(1.6)
            .maxDelay(Duration.ofMillis(200))
            .build());

    @Bean
    @Role(BeanDefinition.ROLE_INFRASTRUCTURE)
    static Advisor collisionsAreRepeated() {
        DefaultPointcutAdvisor advisor = new DefaultPointcutAdvisor(
                AnnotationMatchingPointcut.forMethodAnnotation(Write.class), (MethodInterceptor) Collisions::repeated);
        advisor.setOrder(Ordered.HIGHEST_PRECEDENCE);
        return advisor;
    }

    private static @Nullable Object repeated(MethodInvocation step) throws Throwable {
        // Within another step's transaction it is that one which is rolled back, and repeated.
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            return step.proceed();
        }
        try {
            Object[] answer = new Object[1];
            AGAIN.execute(() -> {
                answer[0] = proceed(step);
                return true;
            });
            return answer[0];
        } catch (RetryException spent) {
            throw spent.getCause() == null ? spent : spent.getCause();
        } finally {
            PageMemory.forget();
        }
    }

    private static @Nullable Object proceed(MethodInvocation step) throws Throwable {
        return step instanceof org.springframework.aop.ProxyMethodInvocation proxied
                ? proxied.invocableClone().proceed()
                : step.proceed();
    }
}
