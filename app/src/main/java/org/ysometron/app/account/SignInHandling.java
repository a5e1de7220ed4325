package org.ysometron.app.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.security.authentication.InternalAuthenticationServiceException;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.web.authentication.AuthenticationFailureHandler;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.web.filter.OncePerRequestFilter;

/** Signing in: too many wrong tries wait, every try is on record, and a form that was kept is come back to. */
class SignInHandling extends OncePerRequestFilter implements AuthenticationFailureHandler {

    private static final Logger LOG = LoggerFactory.getLogger(SignInHandling.class);

    private final Guesses guesses;
    private final AccountEvents events;

    SignInHandling(Guesses guesses, AccountEvents events) {
        this.guesses = guesses;
        this.events = events;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getMethod().equals("POST") && request.getRequestURI().equals("/sign-in")) {
            Optional<String> slowed = guesses.begin(name(request), request.getRemoteAddr());
            if (slowed.isPresent()) {
                record(request, AccountEvents.Kind.SLOWED, "");
                response.sendRedirect("/sign-in?slowed");
                return;
            }
        }
        chain.doFilter(request, response);
    }

    @Override
    public void onAuthenticationFailure(
            HttpServletRequest request, HttpServletResponse response, AuthenticationException problem)
            throws IOException {
        if (problem instanceof InternalAuthenticationServiceException) {
            // The name and the password were never looked at: the database is away, and that is said, nothing else.
            LOG.error("a sign-in could not be checked", problem);
            guesses.right(name(request), request.getRemoteAddr());
            response.sendError(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
            return;
        }
        record(request, AccountEvents.Kind.REFUSED, "");
        response.sendRedirect("/sign-in?refused");
    }

    private static String name(HttpServletRequest request) {
        String name = request.getParameter("username");
        return name == null ? "" : name;
    }

    private void record(HttpServletRequest request, AccountEvents.Kind kind, String words) {
        try {
            events.record(name(request), kind, words, "", request.getRemoteAddr());
        } catch (DataAccessException away) {
            LOG.warn("an event at the door is not on record: {}", away.getMessage());
        }
    }

    /** Where somebody goes who came in. */
    final class In extends SavedRequestAwareAuthenticationSuccessHandler {

        In() {
            setDefaultTargetUrl("/");
        }

        @Override
        public void onAuthenticationSuccess(
                HttpServletRequest request, HttpServletResponse response, Authentication who)
                throws ServletException, IOException {
            guesses.right(who.getName(), request.getRemoteAddr());
            record(request, AccountEvents.Kind.SIGNED_IN, "");
            if (request.getSession().getAttribute(KeptForm.KEY) != null) {
                clearAuthenticationAttributes(request);
                response.sendRedirect("/resume");
                return;
            }
            super.onAuthenticationSuccess(request, response, who);
        }
    }
}
