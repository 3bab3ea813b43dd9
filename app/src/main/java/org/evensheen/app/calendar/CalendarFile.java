package org.evensheen.app.calendar;

import biweekly.Biweekly;
import biweekly.ICalVersion;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.ProductId;
import biweekly.util.ICalDate;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Date;
import java.util.List;
import org.evensheen.app.calendar.DatedStore.Dated;

/** The calendar as an iCalendar file (RFC 5545): whole-day events whose UIDs stay the same from fetch to fetch. */
final class CalendarFile {
    private CalendarFile() {}

    static String of(List<Dated> works, String address, Instant now) {
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
        return Biweekly.write(calendar).go();
    }

    /** A day without a time; the library takes the machine's own zone for dates, so that is given. */
    private static ICalDate day(LocalDate day) {
        return new ICalDate(
                Date.from(day.atStartOfDay(java.time.ZoneId.systemDefault()).toInstant()), false);
    }
}
