package org.evensheen.app.answers;

/** What has answers under one part of the addresses. */
interface Answerables {
    /** The first part of their addresses. */
    String under();

    /** Where what is said of one of them is kept. */
    Matter matter(long id);

    /**
     * One of them.
     *
     * @throws org.evensheen.app.page.Missing if there is none
     * @throws Closed if its answer would give names away
     */
    Answerable open(long id);
}
