package org.ysometron.app.web;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistration;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.VersionResourceResolver;

/**
 * Styles, scripts, fonts and the mark, at addresses of their own. Were every address a file's, each link of each page
 * would be looked up among the files of all archives while the page is written: a fifth of a page's time.
 */
@Configuration
class SharedFiles implements WebMvcConfigurer {

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        share(registry.addResourceHandler("/*.css", "/*.js", "/*.svg"), "classpath:/static/");
        share(registry.addResourceHandler("/fonts/*"), "classpath:/static/fonts/");
    }

    /** An address carries its file's fingerprint, so that a browser keeps a file for as long as it is the same. */
    private static void share(ResourceHandlerRegistration addresses, String files) {
        addresses
                .addResourceLocations(files)
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)))
                .resourceChain(true)
                .addResolver(new VersionResourceResolver().addContentVersionStrategy("/**"));
    }
}
