package org.ysometron.core.publication;

import java.util.List;

/**
 * One revision of one place where we tell people something about a product.
 *
 * @param kind which place
 * @param revision from 1
 * @param statements what it says
 */
public record Publication(Kind kind, int revision, List<Statement> statements) {

    /** The places where we publish. */
    public enum Kind {
        LABEL("label"),
        WEB_PAGE("web page"),
        DATASHEET("technical datasheet");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** The place in words. */
        public String words() {
            return words;
        }
    }

    /** Copies the statements. */
    public Publication {
        statements = List.copyOf(statements);
    }
}
