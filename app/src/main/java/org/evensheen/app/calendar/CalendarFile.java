package org.evensheen.app.calendar;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.ProductId;
import biweekly.util.ICalDate;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import org.evensheen.app.calendar.DatedStore.Dated;
import org.evensheen.app.sidebyside.LookStore;
import org.evensheen.app.studies.Upkeeps;

/** The calendar as an iCalendar file (RFC 5545): whole-day events, and looks by the minute, whose UIDs stay the same from fetch to fetch. */
final class CalendarFile {
    private static final Duration LOOK = Duration.ofMinutes(10);

    private CalendarFile() {}

    static String of(
            List<Dated> works, List<LookStore.Due> looks, List<Upkeeps.Standing> upkeeps, String address, Instant now) {
        ICalendar calendar = new ICalendar();
        calendar.setVersion(ICalVersion.V2_0);
        calendar.setProductId(new ProductId("-//Even Sheen//Calendar//EN"));
        calendar.setName("Even Sheen");
        for (Dated work : works) {
            VEvent event = new VEvent();
            event.setUid("study-%d-%s-%d-%08x@even-sheen"
                    .formatted(
                            work.study(), work.kind(), work.day(), work.title().hashCode()));
            event.setDateTimeStamp(Date.from(now));
            event.setDateStart(day(work.date()), false);
            event.setDateEnd(day(work.date().plusDays(1)), false);
            event.setSummary("%s · %s".formatted(work.title(), work.question()));
            event.setLocation(work.bed());
            event.setDescription("%s%s"
                            .formatted(
                                    work.why().isEmpty() ? "" : work.why() + "\n",
                                    work.readings() > 0 ? work.readings() + " readings.\n" : "")
                    + address + "/studies/" + work.study());
            calendar.addEvent(event);
        }
        for (LookStore.Due look : looks) {
            VEvent event = new VEvent();
            event.setUid("comparison-%d-%s@even-sheen"
                    .formatted(look.comparison(), look.step().replace('/', '-')));
            event.setDateTimeStamp(Date.from(now));
            event.setDateStart(Date.from(look.at()), true);
            event.setDateEnd(Date.from(look.at().plus(LOOK)), true);
            event.setSummary("%s · %s".formatted(look.what(), look.names()));
            event.setDescription(address + look.address());
            calendar.addEvent(event);
        }
        upkeeps.forEach(u -> upkeep(u, address, now).ifPresent(calendar::addEvent));
        return Biweekly.write(calendar).go();
    }

    /** Upkeep on its day; one that is overdue stays on the day it fell due. */
    private static Optional<VEvent> upkeep(Upkeeps.Standing u, String address, Instant now) {
        return u.on().map(on -> {
            VEvent event = new VEvent();
            event.setUid("upkeep-%d-%d-%d@even-sheen"
                    .formatted(
                            u.study().id(),
                            u.due().contender().number(),
                            u.due().last()));
            event.setDateTimeStamp(Date.from(now));
            event.setDateStart(day(on), false);
            event.setDateEnd(day(on.plusDays(1)), false);
            event.setSummary("Upkeep: %s · %s".formatted(u.what(), u.study().question()));
            event.setLocation(u.study().bed().name());
            event.setDescription("On %s; it is part of how that is used.\n%s/studies/%d/life"
                    .formatted(u.due().contender().name(), address, u.study().id()));
            return event;
        });
    }

    /** A day without a time; the library takes the machine's own zone for dates, so that is given. */
    private static ICalDate day(LocalDate day) {
        return new ICalDate(
                Date.from(day.atStartOfDay(java.time.ZoneId.systemDefault()).toInstant()), false);
    }
}
