package org.evensheen.app.answers;

import org.evensheen.app.page.Missing;
import org.evensheen.app.studies.Study;

/** A study that is judged by code has no answer and no report yet: they would give names away. */
class Closed extends Missing {
    private static final long serialVersionUID = 1;

    private final transient Study study;

    Closed(Study study) {
        super("This study is judged by code: its answer and a report of it would give names away. Open its key first.");
        this.study = study;
    }

    Study study() {
        return study;
    }
}
