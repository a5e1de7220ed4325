package org.ysometron.app.account;

import jakarta.servlet.http.HttpServletRequest;
import java.io.Serializable;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A form that was sent when its session had ended: what was typed is kept, shown after signing in, and sent again when the
 * person says so. Only what comes from a page of this site is kept.
 *
 * @param path where it was sent to
 * @param fields names and values in order
 */
record KeptForm(String path, List<Field> fields) implements Serializable {

    static final String KEY = "org.ysometron.kept-form";

    private static final long serialVersionUID = 1L;
    private static final int MOST_CHARACTERS = 1 << 20;
    private static final Set<String> SECRET = Set.of("_csrf", "password", "old", "fresh", "again");

    /** One field. */
    record Field(String name, String value) implements Serializable {
        private static final long serialVersionUID = 1L;
    }

    /** What of a request can be kept; empty for files, for other sites' forms, and for what is too long. */
    static Optional<KeptForm> of(HttpServletRequest request) {
        String type = String.valueOf(request.getContentType());
        boolean own = "same-origin".equals(request.getHeader("Sec-Fetch-Site")) || isOwn(request);
        if (!request.getMethod().equals("POST")
                || !own
                || !type.startsWith("application/x-www-form-urlencoded")
                || request.getRequestURI().startsWith("/sign-")) {
            return Optional.empty();
        }
        List<Field> fields = new ArrayList<>();
        int length = 0;
        for (var entry : request.getParameterMap().entrySet()) {
            for (String value : entry.getValue()) {
                length += value.length();
                if (!SECRET.contains(entry.getKey())) {
                    fields.add(new Field(entry.getKey(), value));
                }
            }
        }
        return length > MOST_CHARACTERS
                ? Optional.empty()
                : Optional.of(new KeptForm(request.getRequestURI(), List.copyOf(fields)));
    }

    private static boolean isOwn(HttpServletRequest request) {
        String origin = request.getHeader("Origin");
        return origin != null && origin.replaceFirst("^https?://", "").equals(request.getHeader("Host"));
    }

    /** What a person typed, for the page that asks whether to send it. */
    public List<Field> shown() {
        return fields.stream().filter(field -> !field.value().isBlank()).toList();
    }
}
