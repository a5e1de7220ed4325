package org.ysometron.app.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** The page for what is refused before a controller is reached: no right, no such address, an expired form. */
@Controller
class ErrorPages implements ErrorController {

    @RequestMapping("/error")
    String page(HttpServletRequest request, HttpServletResponse response, Model model) {
        Object given = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        Object thrown = request.getAttribute(RequestDispatcher.ERROR_EXCEPTION);
        int failed = given instanceof Integer code ? code : 404;
        int status = thrown instanceof Throwable problem && Away.is(problem) ? 503 : failed;
        response.setStatus(status);
        model.addAttribute("status", status);
        model.addAttribute("what", what(status));
        model.addAttribute(
                "todo",
                status == 503
                        ? Away.TODO
                        : status == 403
                                ? "Sign in with an account that has the right; if the page stood open for long, load it again."
                                : "Check the address, or start from the gate.");
        return "web/problem";
    }

    private static String what(int status) {
        return switch (status) {
            case 403 -> "This account does not have the right for that step, or the form is too old.";
            case 404 -> "There is no such page.";
            case 413 -> "The file or form is larger than 32 MB, or has more than 8,000 fields.";
            case 503 -> Away.WHAT;
            default ->
                status < 500
                        ? "This request could not be read."
                        : "The application failed at this step; nothing was stored.";
        };
    }
}
