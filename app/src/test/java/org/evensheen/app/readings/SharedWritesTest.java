package org.evensheen.app.readings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.evensheen.app.live.LiveApp;
import org.evensheen.app.live.SampleStudy;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.namedparam.MapSqlParameterSource;
import org.springframework.transaction.support.TransactionTemplate;

@ExtendWith(LiveApp.class)
class SharedWritesTest {
    private static final String MARK = "insert into happening (study_id, day, kind, kept_by, page_key)"
            + " values (:study, 0, :kind, 'Ana', :key) on conflict do nothing";
    private static final int DEVICES = 24;

    private final long study = SampleStudy.make().id();
    private final AtomicInteger kept = new AtomicInteger();
    private final AtomicInteger refused = new AtomicInteger();

    private void mark(int n) {
        try {
            kept.addAndGet(LiveApp.bean(SharedWriteStore.class)
                    .update(
                            study,
                            MARK,
                            new MapSqlParameterSource()
                                    .addValue("study", study)
                                    .addValue("kind", n % 8 == 7 ? "nonsense" : "washed")
                                    .addValue("key", UUID.randomUUID())));
        } catch (DataIntegrityViolationException e) {
            refused.incrementAndGet();
        }
    }

    /** All at once: the study is held until they stand in line. */
    private void together(boolean someBad) throws InterruptedException {
        List<Thread> devices = IntStream.range(0, DEVICES)
                .mapToObj(n -> new Thread(() -> mark(someBad ? n : 0)))
                .toList();
        LiveApp.bean(TransactionTemplate.class).executeWithoutResult(status -> {
            LiveApp.database()
                    .sql("select id from study where id = :id for update")
                    .param("id", study)
                    .query(Long.class)
                    .single();
            devices.forEach(Thread::start);
            while (devices.stream()
                            .filter(d -> d.getState() == Thread.State.WAITING)
                            .count()
                    < DEVICES - 1) {
                Thread.onSpinWait();
            }
        });
        for (Thread device : devices) {
            device.join();
        }
    }

    private int of(String what) {
        return LiveApp.database()
                .sql("select %s from happening where study_id = :id".formatted(what))
                .param("id", study)
                .query(Integer.class)
                .single();
    }

    @Test
    @Timeout(30)
    void aBadRowSpoilsOnlyItself() throws InterruptedException {
        together(true);

        assertThat(kept).hasValue(DEVICES - 3);
        assertThat(refused).hasValue(3);
        assertThat(of("count(*)")).isEqualTo(DEVICES - 3);
    }

    @Test
    @Timeout(30)
    void rowsThatComeAtOnceShareOneTransaction() throws InterruptedException {
        together(false);

        assertThat(kept).hasValue(DEVICES);
        assertThat(of("count(distinct xmin::text)"))
                .as("the one that came first, and all the others")
                .isEqualTo(2);
    }

    @Test
    @Timeout(30)
    void whatIsPartOfALargerPieceOfWorkIsKeptOrNotWithIt() {
        LiveApp.bean(TransactionTemplate.class).executeWithoutResult(status -> {
            mark(0);
            status.setRollbackOnly();
        });

        assertThat(of("count(*)")).isZero();
    }
}
