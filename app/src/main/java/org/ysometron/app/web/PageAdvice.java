package org.ysometron.app.web;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.ysometron.core.gate.Right;

/** What every page's frame needs. */
@ControllerAdvice
class PageAdvice {

    /**
     * The signed-in account as a page sees it.
     *
     * @param name the account
     * @param rights names of its rights
     */
    record Me(String name, Set<String> rights) {

        public boolean may(String right) {
            return rights.contains(right);
        }
    }

    private static final Set<String> KNOWN =
            java.util.Arrays.stream(Right.values()).map(Right::name).collect(Collectors.toSet());

    @ModelAttribute("me")
    Me me(@Nullable Authentication authentication) {
        return of(authentication);
    }

    /** The account as a page sees it; a page that reports a problem has no other way to it. */
    static Me of(@Nullable Authentication authentication) {
        if (authentication == null) {
            return new Me("", Set.of());
        }
        Set<String> rights = authentication.getAuthorities().stream()
                .map(GrantedAuthority::getAuthority)
                .map(String::valueOf)
                // How somebody signed in is an authority as well; only rights are shown.
                .filter(KNOWN::contains)
                .collect(Collectors.toSet());
        return new Me(authentication.getName(), rights);
    }

    @ModelAttribute("fragment")
    boolean fragment(HttpServletRequest request) {
        return "true".equals(request.getHeader("HX-Request"));
    }
}
