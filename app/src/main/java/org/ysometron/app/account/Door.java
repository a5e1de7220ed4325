package org.ysometron.app.account;

import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.Optional;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.access.AccessDeniedHandler;
import org.springframework.security.web.access.AccessDeniedHandlerImpl;
import org.springframework.security.web.csrf.CsrfException;

/** What happens to a request whose session is not there any more: what was typed is kept, and the person comes in again. */
class Door implements AuthenticationEntryPoint, AccessDeniedHandler {

    private final AccessDeniedHandler forbidden = new AccessDeniedHandlerImpl();

    @Override
    public void commence(HttpServletRequest request, HttpServletResponse response, AuthenticationException problem)
            throws IOException {
        send(request, response, "/sign-in");
    }

    @Override
    public void handle(HttpServletRequest request, HttpServletResponse response, AccessDeniedException problem)
            throws IOException, ServletException {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        boolean stranger = who == null || who instanceof AnonymousAuthenticationToken;
        if (!(problem instanceof CsrfException)) {
            forbidden.handle(request, response, problem);
            return;
        }
        Optional<KeptForm> kept = KeptForm.of(request);
        if (kept.isPresent()) {
            HttpSession session = request.getSession(true);
            session.setAttribute(KeptForm.KEY, kept.get());
            send(request, response, stranger ? "/sign-in?kept" : "/resume");
        } else if (stranger && !request.getRequestURI().equals("/sign-in")) {
            send(request, response, "/sign-in?ended");
        } else if (request.getRequestURI().equals("/sign-in")) {
            // The page stood open until its session ended; it is loaded anew.
            send(request, response, "/sign-in?ended");
        } else {
            forbidden.handle(request, response, problem);
        }
    }

    /** A fragment cannot be swapped for the door: the whole page goes there. */
    private static void send(HttpServletRequest request, HttpServletResponse response, String where)
            throws IOException {
        if ("true".equals(request.getHeader("HX-Request"))) {
            response.setHeader("HX-Redirect", where);
            response.setStatus(HttpServletResponse.SC_UNAUTHORIZED);
        } else {
            response.sendRedirect(where);
        }
    }
}
