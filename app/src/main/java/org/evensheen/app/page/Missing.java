package org.evensheen.app.page;

/** What was asked for is not there; the message says what to do instead. */
public class Missing extends RuntimeException {
    public Missing(String message) {
        super(message);
    }
}
