package org.ysometron.app.store;

import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Reads a page in one transaction: each question alone would begin and end one of its own, which costs several times the question.
 * Whatever the page has made anew is made before, for that takes a transaction and so a connection of its own.
 */
@Component
public class OnePage {

    private static final String NAME = "one page";

    private final TransactionTemplate reading;

    OnePage(PlatformTransactionManager transactions) {
        this.reading = new TransactionTemplate(transactions);
        this.reading.setReadOnly(true);
        this.reading.setName(NAME);
    }

    /** Reads it. */
    public <T> T read(Supplier<T> page) {
        return reading.execute(status -> {
            // Nothing is written, so nothing is committed; a part of the page that failed and was caught spoils no
            // other.
            status.setRollbackOnly();
            return page.get();
        });
    }

    /** Whether a page is being read just now. */
    public static boolean isRead() {
        return NAME.equals(TransactionSynchronizationManager.getCurrentTransactionName());
    }
}
