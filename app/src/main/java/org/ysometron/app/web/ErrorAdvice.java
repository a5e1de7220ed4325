package org.ysometron.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Objects;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpStatus;
import org.springframework.http.server.PathContainer;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.ui.Model;
import org.springframework.web.ErrorResponse;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Turns what went wrong into a page that says what happened and what to do, with the right status. */
@ControllerAdvice
class ErrorAdvice {

    private static final Logger LOG = LoggerFactory.getLogger(ErrorAdvice.class);

    private final ObjectProvider<RequestMappingHandlerMapping> mappings;

    ErrorAdvice(ObjectProvider<RequestMappingHandlerMapping> mappings) {
        this.mappings = mappings;
    }

    @ExceptionHandler(NotFound.class)
    String notFound(NotFound problem, Model model, HttpServletResponse response) {
        return page(
                model,
                response,
                HttpStatus.NOT_FOUND,
                String.valueOf(problem.getMessage()),
                "Check the address, or start from the gate.");
    }

    @ExceptionHandler(Refusal.class)
    String refused(Refusal problem, Model model, HttpServletResponse response) {
        return page(
                model,
                response,
                HttpStatus.UNPROCESSABLE_CONTENT,
                problem.words(),
                "Go back, correct it, and send it again.");
    }

    @ExceptionHandler({OptimisticLockingFailureException.class, DataIntegrityViolationException.class})
    String overtaken(Exception problem, Model model, HttpServletResponse response) {
        LOG.info("overtaken by another change: {}", problem.getMessage());
        return page(
                model,
                response,
                HttpStatus.CONFLICT,
                "Somebody else changed the same thing a moment ago; yours was not stored.",
                "Load the page again, look at what is there now, and repeat your step if it is still needed.");
    }

    /** Whoever listened went away: there is nobody to tell, and nothing is wrong. */
    @ExceptionHandler(AsyncRequestNotUsableException.class)
    void gone(AsyncRequestNotUsableException gone) {
        LOG.debug("somebody who listened went away: {}", gone.getMessage());
    }

    @ExceptionHandler(MethodArgumentTypeMismatchException.class)
    String malformed(MethodArgumentTypeMismatchException problem, Model model, HttpServletResponse response) {
        return page(
                model,
                response,
                HttpStatus.BAD_REQUEST,
                "'" + problem.getValue() + "' cannot be the " + problem.getName() + " of anything.",
                "Check the address, or start from the gate.");
    }

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    String tooLarge(MaxUploadSizeExceededException problem, Model model, HttpServletResponse response) {
        return page(
                model,
                response,
                HttpStatus.CONTENT_TOO_LARGE,
                "The file or form is larger than 32 MB, or has more than 8,000 fields.",
                "Import one lot's readings at a time; publish at most 500 statements.");
    }

    /** A form that was refused stands at an address that only takes forms; whoever opens it later is led to the page it is of. */
    @ExceptionHandler(HttpRequestMethodNotSupportedException.class)
    String onlyTakesForms(
            HttpRequestMethodNotSupportedException problem,
            HttpServletRequest request,
            Model model,
            HttpServletResponse response) {
        if (!request.getMethod().equals("GET")) {
            return other(problem, model, response);
        }
        String path = request.getRequestURI();
        while (path.lastIndexOf('/') > 0) {
            path = path.substring(0, path.lastIndexOf('/'));
            if (isPage(path)) {
                return "redirect:" + path;
            }
        }
        return "redirect:/";
    }

    private boolean isPage(String path) {
        PathContainer parsed = PathContainer.parsePath(path);
        return mappings.getObject().getHandlerMethods().keySet().stream()
                .filter(info -> info.getMethodsCondition().getMethods().contains(RequestMethod.GET))
                .map(RequestMappingInfo::getPathPatternsCondition)
                .filter(Objects::nonNull)
                .anyMatch(condition -> condition.getPatterns().stream().anyMatch(pattern -> pattern.matches(parsed)));
    }

    @ExceptionHandler(AccessDeniedException.class)
    void denied(AccessDeniedException problem) {
        throw problem;
    }

    @ExceptionHandler(Exception.class)
    String other(Exception problem, Model model, HttpServletResponse response) {
        if (problem instanceof ErrorResponse known && known.getStatusCode().is4xxClientError()) {
            HttpStatus status = HttpStatus.valueOf(known.getStatusCode().value());
            String what = status == HttpStatus.NOT_FOUND ? "There is no such page." : "This request could not be read.";
            return page(model, response, status, what, "Check the address, or start from the gate.");
        }
        if (Away.is(problem)) {
            LOG.warn("the database is away: {}", problem.getMessage());
            response.setHeader("Retry-After", "60");
            return page(model, response, HttpStatus.SERVICE_UNAVAILABLE, Away.WHAT, Away.TODO);
        }
        LOG.error("a request failed", problem);
        return page(
                model,
                response,
                HttpStatus.INTERNAL_SERVER_ERROR,
                "The application failed at this step; nothing was stored.",
                "Try once more. If it fails again, tell whoever keeps this site the time and what you did.");
    }

    private static String page(Model model, HttpServletResponse response, HttpStatus status, String what, String todo) {
        response.setStatus(status.value());
        model.addAttribute(
                "me", PageAdvice.of(SecurityContextHolder.getContext().getAuthentication()));
        model.addAttribute("status", status.value());
        model.addAttribute("what", what);
        model.addAttribute("todo", todo);
        return "web/problem";
    }
}
