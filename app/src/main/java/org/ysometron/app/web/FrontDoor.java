package org.ysometron.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Before anything else: the headers that every answer carries, refused ones too, and the names under which this site is
 * reached. Another name is another site that somebody points here.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class FrontDoor extends OncePerRequestFilter {

    private static final String CONTENT_POLICY =
            "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self'; font-src 'self'; "
                    + "connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    private final Set<String> names =
            new TreeSet<>(Set.of("127.0.0.1", "localhost", "[::1]", "::1", "0:0:0:0:0:0:0:1"));
    private final boolean secure;

    FrontDoor(@Value("${ysometron.address}") String address) {
        this.secure = address.startsWith("https://");
        if (!address.isBlank()) {
            String host = URI.create(address.strip()).getHost();
            if (host == null) {
                throw new IllegalArgumentException(
                        "ysometron.address must be an address such as https://gate.example, not '" + address + "'");
            }
            names.add(host.toLowerCase(Locale.ROOT));
        }
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("X-Frame-Options", "DENY");
        response.setHeader("Referrer-Policy", "same-origin");
        response.setHeader("Content-Security-Policy", CONTENT_POLICY);
        if (secure) {
            response.setHeader("Strict-Transport-Security", "max-age=31536000");
        }
        if (!names.contains(name(request.getServerName()))) {
            response.setStatus(421);
            response.setContentType("text/plain;charset=UTF-8");
            response.getWriter()
                    .write("This site is not reached under that name. Whoever keeps it sets YSOMETRON_ADDRESS.");
            return;
        }
        chain.doFilter(request, response);
    }

    @Override
    protected boolean shouldNotFilterErrorDispatch() {
        return false;
    }

    private static String name(@org.jspecify.annotations.Nullable String host) {
        return host == null ? "" : host.toLowerCase(Locale.ROOT);
    }
}
