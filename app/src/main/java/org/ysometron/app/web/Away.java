package org.ysometron.app.web;

import java.sql.SQLNonTransientConnectionException;
import java.sql.SQLTransientConnectionException;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;

/** Whether a failure means that the database cannot be reached, and what is said of it then. */
final class Away {

    static final String WHAT = "The database is away, so that this step was not done. Nothing that was stored is lost.";
    static final String TODO =
            "Try again in a minute. Whoever keeps this site brings it back with ./ysometron start, which starts what is missing.";

    private Away() {}

    /** Whether something in the chain of causes says so. */
    static boolean is(@Nullable Throwable problem) {
        for (Throwable cause = problem; cause != null; cause = cause.getCause()) {
            if (cause instanceof CannotCreateTransactionException
                    || cause instanceof CannotGetJdbcConnectionException
                    || cause instanceof DataAccessResourceFailureException
                    || cause instanceof SQLNonTransientConnectionException
                    || cause instanceof SQLTransientConnectionException) {
                return true;
            }
            if (cause.getCause() == cause) {
                return false;
            }
        }
        return false;
    }
}
