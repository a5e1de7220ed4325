package org.ysometron.app.plan;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.LotView;
import org.ysometron.core.plan.Schedule;

/** What is to be done now, what should have been, and what comes within two days. */
@Component
public class Due {

    private static final int SOON_MINUTES = 30;
    private static final int COMING_DAYS = 2;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    private final Calendar calendar;

    Due(Calendar calendar) {
        this.calendar = calendar;
    }

    /** How urgent an item is. */
    public enum Urgency {
        OVERDUE("overdue"),
        NOW("now"),
        TODAY("today"),
        COMING("coming");

        private final String words;

        Urgency(String words) {
            this.words = words;
        }

        /** The urgency in a word. */
        public String words() {
            return words;
        }
    }

    /** Something to be done for a lot. */
    public record Item(String lot, String what, Urgency urgency, LocalDateTime at, String when) {}

    /** Everything due for lots not decided, the most urgent first. */
    public List<Item> all() {
        return calendar.all().map(Due::of).orElse(List.of());
    }

    /** What is due for one lot. */
    public List<Item> of(LotView lot) {
        return all().stream().filter(item -> item.lot().equals(lot.code())).toList();
    }

    static List<Item> of(Calendar.Board board) {
        List<Item> items = new ArrayList<>();
        LocalDateTime now = board.now();
        for (Calendar.Forecast forecast : board.forecasts().values()) {
            if (forecast.lateDays() > 0) {
                items.add(new Item(
                        forecast.lot().code(),
                        "release " + forecast.lateDays() + (forecast.lateDays() == 1 ? " day" : " days")
                                + " after it is wanted",
                        Urgency.OVERDUE,
                        forecast.release(),
                        "not before " + DAY.format(forecast.release())));
            }
        }
        board.broken()
                .forEach((lot, wrong) -> items.add(
                        new Item(lot.code(), "cannot be planned: " + wrong, Urgency.NOW, now, "see its plan")));
        board.events()
                .forEach((lot, events) -> events.forEach(event -> {
                    if (event.at().isBefore(now)) {
                        items.add(new Item(
                                lot.code(),
                                event.words(),
                                Urgency.OVERDUE,
                                event.at(),
                                "since " + DAY.format(event.at())));
                    } else {
                        add(items, lot.code(), event.words(), event.at(), now);
                    }
                }));
        for (Schedule.Slot slot : board.plan().slots()) {
            if (slot.start().isBefore(now)) {
                if (slot.end().isAfter(now)) {
                    add(items, slot.job().owner(), slot.job().title() + " ends", slot.end(), now);
                }
            } else if (slot.job().attention() != Schedule.Attention.ALONE) {
                add(items, slot.job().owner(), slot.job().title(), slot.start(), now);
            }
        }
        items.sort(Comparator.comparing(Item::urgency).thenComparing(Item::at).thenComparing(Item::lot));
        return items;
    }

    /** Two days ahead, and on a Friday as far as Monday's end: the next day on which somebody is there is always seen. */
    private static LocalDateTime horizon(LocalDateTime now) {
        LocalDate next = now.toLocalDate().plusDays(1);
        while (next.getDayOfWeek() == DayOfWeek.SATURDAY || next.getDayOfWeek() == DayOfWeek.SUNDAY) {
            next = next.plusDays(1);
        }
        LocalDateTime end = next.plusDays(1).atStartOfDay();
        return end.isAfter(now.plusDays(COMING_DAYS)) ? end : now.plusDays(COMING_DAYS);
    }

    private static void add(List<Item> items, String lot, String what, LocalDateTime at, LocalDateTime now) {
        boolean soon = !at.isAfter(now.plusMinutes(SOON_MINUTES));
        boolean today = at.toLocalDate().equals(now.toLocalDate());
        if (soon) {
            items.add(new Item(lot, what, Urgency.NOW, at, today && !at.isAfter(now) ? "now" : HOUR.format(at)));
        } else if (today) {
            items.add(new Item(lot, what, Urgency.TODAY, at, HOUR.format(at)));
        } else if (at.isBefore(horizon(now))) {
            items.add(new Item(lot, what, Urgency.COMING, at, DAY.format(at)));
        }
    }
}
