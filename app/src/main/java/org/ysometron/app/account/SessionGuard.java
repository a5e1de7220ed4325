package org.ysometron.app.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Whether a session may go on: its account is not disabled, was not signed out everywhere or given other rights, and the
 * session is not too old. Whoever was given a password changes it before anything else.
 */
class SessionGuard extends OncePerRequestFilter {

    private static final String CHANGE = "/account";

    private final Accounts accounts;
    private final Duration longest;
    private final Clock clock;

    SessionGuard(Accounts accounts, Duration longest, Clock clock) {
        this.accounts = accounts;
        this.longest = longest;
        this.clock = clock;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        if (who != null && who.getPrincipal() instanceof SignedIn signed) {
            Optional<Accounts.State> state = accounts.state(signed.getUsername());
            boolean ended = state.isEmpty()
                    || state.get().disabled()
                    || state.get().epoch() != signed.epoch()
                    || isTooOld(request.getSession(false));
            if (ended) {
                // What was typed is kept by the door, as for a session that ended by itself.
                SecurityContextHolder.clearContext();
                HttpSession session = request.getSession(false);
                if (session != null) {
                    session.invalidate();
                }
            } else if (state.get().mustChange() && !isOpenBeforeChange(request.getRequestURI())) {
                response.sendRedirect(CHANGE + "?first");
                return;
            }
        }
        chain.doFilter(request, response);
    }

    private boolean isTooOld(@org.jspecify.annotations.Nullable HttpSession session) {
        return session != null
                && Instant.ofEpochMilli(session.getCreationTime()).plus(longest).isBefore(clock.instant());
    }

    private static boolean isOpenBeforeChange(String path) {
        return path.equals(CHANGE)
                || path.equals("/account/password")
                || path.equals("/sign-out")
                || path.matches("/[^/]+\\.(css|js|svg)|/fonts/.*|/favicon\\.ico");
    }
}
