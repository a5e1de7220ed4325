package org.ysometron.app.plan;

import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.UUID;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.ysometron.core.plan.Schedule;

/** A plan as a calendar file (RFC 5545), in the site's own local time. */
final class CalendarFile {

    private CalendarFile() {}

    static String of(org.ysometron.app.plan.Calendar.Board board, String lot) {
        Calendar file = blank();
        for (Schedule.Slot slot : board.plan().slots()) {
            String id = slot.job().id();
            if (lot.isEmpty() || slot.job().owner().equals(lot)) {
                VEvent event = new VEvent(slot.start(), slot.end(), slot.job().words());
                // The same step keeps its name in the next file, so that a program moves it instead of adding another.
                event.add(new Uid(UUID.nameUUIDFromBytes(id.getBytes(StandardCharsets.UTF_8)) + "@ysometron"));
                event.add(new Description(
                        (slot.job().resource().isEmpty() ? "" : slot.job().resource() + "; ") + slot.because()));
                file.add(event);
            }
        }
        return file.toString();
    }

    static String empty() {
        Calendar file = blank();
        // RFC 5545 wants at least one component.
        VEvent event = new VEvent(
                java.time.LocalDateTime.ofEpochSecond(0, 0, ZoneOffset.UTC).toLocalDate(), "nothing is planned");
        event.add(new Uid("nothing@ysometron"));
        file.add(event);
        return file.toString();
    }

    private static Calendar blank() {
        Calendar file = new Calendar();
        file.add(new ProdId("-//Ysometron//calendar//EN"));
        file.add(ImmutableVersion.VERSION_2_0);
        file.add(ImmutableCalScale.GREGORIAN);
        return file;
    }
}
