package org.evensheen.app.answers;

import java.util.Map;
import java.util.Optional;

/** What can be published under one part of the addresses. */
public interface Subjects {
    /** The first part of their addresses. */
    String under();

    /**
     * One of them.
     *
     * @param id its number; none where nothing under that address is numbered
     * @param sent what else was asked for
     * @throws org.evensheen.app.page.Missing if there is none, or nothing of it may go out yet
     */
    Publishing.Subject subject(Optional<Long> id, Map<String, String> sent);
}
