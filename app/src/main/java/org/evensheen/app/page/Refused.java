package org.evensheen.app.page;

/** What was asked for can't be done as asked; the message says why and the remedy. */
public final class Refused extends RuntimeException {
    public Refused(String message) {
        super(message);
    }
}
