package org.evensheen.app.page;

import java.io.IOException;
import java.sql.SQLException;
import java.util.Optional;
import org.evensheen.app.pictures.Picture;
import org.springframework.dao.DataAccessResourceFailureException;
import org.springframework.dao.RecoverableDataAccessException;
import org.springframework.jdbc.CannotGetJdbcConnectionException;
import org.springframework.transaction.CannotCreateTransactionException;

/** Trouble that is not the request's and goes by: whoever asked can ask again, and what they sent is not lost. */
enum Trouble {
    DATABASE_AWAY(
            "The database is away",
            "Even Sheen runs, but its database does not answer. What you had kept is safe, what you just sent is not kept yet; it goes on by itself when the database is back."),
    DISK_FULL(
            "The disk is full",
            "There is no room left on the disk that holds the records. What you had kept is safe, what you just sent is not kept yet. Make room; it goes on by itself."),
    BUSY(
            "Busy just now",
            "Many photos are being taken in at once. This one is not kept yet; it is sent again by itself.");

    private final String title;
    private final String message;

    Trouble(String title, String message) {
        this.title = title;
        this.message = message;
    }

    String title() {
        return title;
    }

    String message() {
        return message;
    }

    /** The trouble behind a failure; empty if it is something else. */
    static Optional<Trouble> of(Throwable failure) {
        int depth = 0;
        boolean away = false;
        for (Throwable at = failure; at != null && depth < 20; at = at.getCause(), depth++) {
            if (at instanceof Picture.Busy) {
                return Optional.of(BUSY);
            }
            if (at instanceof IOException && full(String.valueOf(at.getMessage()))
                    || at instanceof SQLException sql && "53100".equals(sql.getSQLState())) {
                return Optional.of(DISK_FULL);
            }
            away |= at instanceof CannotGetJdbcConnectionException
                    || at instanceof CannotCreateTransactionException
                    || at instanceof DataAccessResourceFailureException
                    || at instanceof RecoverableDataAccessException
                    || at instanceof SQLException sql && connection(sql.getSQLState());
        }
        return away ? Optional.of(DATABASE_AWAY) : Optional.empty();
    }

    private static boolean full(String message) {
        return message.contains("No space left on device") || message.contains("Disk quota exceeded");
    }

    /** Classes 08, connection, and 57P, intervention by whoever runs the server. */
    private static boolean connection(@org.jspecify.annotations.Nullable String state) {
        return state != null && (state.startsWith("08") || state.startsWith("57P"));
    }
}
