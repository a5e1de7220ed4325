package org.ysometron.app.account;

import jakarta.servlet.DispatcherType;
import java.time.Clock;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.security.config.annotation.method.configuration.EnableMethodSecurity;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.crypto.factory.PasswordEncoderFactories;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.SecurityContextHolderFilter;

/** Who reaches what. Rights are checked again where the work is done. */
@Configuration
@EnableMethodSecurity
class Security {

    @Bean
    PasswordEncoder passwordEncoder() {
        return PasswordEncoderFactories.createDelegatingPasswordEncoder();
    }

    @Bean
    SecurityFilterChain rules(
            HttpSecurity http,
            Accounts accounts,
            Guesses guesses,
            AccountEvents events,
            @Value("${ysometron.session-longest}") Duration longest,
            Clock clock) {
        SignInHandling handling = new SignInHandling(guesses, events);
        Door door = new Door();
        // The end of what was let in is let out: whoever signed out while a page of his listened is no fault of the
        // site's.
        return http.authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(DispatcherType.ASYNC)
                        .permitAll()
                        .requestMatchers("/sign-in", "/*.css", "/*.js", "/*.svg", "/fonts/**", "/error", "/favicon.ico")
                        .permitAll()
                        .requestMatchers("/accounts/**")
                        .hasAuthority("ADMINISTRATION")
                        .requestMatchers(HttpMethod.POST, "/lots/*/decision")
                        .hasAuthority("RELEASE")
                        .requestMatchers(HttpMethod.POST, "/lots/*/concessions/*")
                        .hasAnyAuthority("RELEASE", "JUDGEMENT")
                        .requestMatchers(HttpMethod.POST, "/lots/*/words", "/lots/*/plan", "/lots/*/make/bought/*")
                        .hasAuthority("JUDGEMENT")
                        .requestMatchers(HttpMethod.POST, "/series/**")
                        .hasAuthority("JUDGEMENT")
                        .requestMatchers(HttpMethod.POST, "/lots/**")
                        .hasAuthority("ENTRY")
                        .anyRequest()
                        .authenticated())
                .addFilterAfter(new SessionGuard(accounts, longest, clock), SecurityContextHolderFilter.class)
                .addFilterBefore(handling, UsernamePasswordAuthenticationFilter.class)
                .formLogin(form -> form.loginPage("/sign-in")
                        .successHandler(handling.new In())
                        .failureHandler(handling))
                .exceptionHandling(
                        problems -> problems.authenticationEntryPoint(door).accessDeniedHandler(door))
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in?left"))
                .build();
    }
}
