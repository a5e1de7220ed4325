package org.ysometron.app.drift;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.evidence.SeriesPoints;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Problems;

/**
 * What people say changed: a log of events of a product, or of the whole site, that is drawn on its charts; and notes at one lot of one chart. Nothing in it is
 * altered or deleted.
 */
@Component
public class Events {

    /** So many of a window are read; more are no log of what is out of the ordinary. */
    private static final int MOST = 200;

    private static final int LONGEST = 300;
    private static final int LONGEST_KEY = 40;

    private final EventRepository events;
    private final SeriesPoints series;
    private final Lots lots;
    private final Clock clock;

    Events(EventRepository events, SeriesPoints series, Lots lots, Clock clock) {
        this.series = series;
        this.lots = lots;
        this.events = events;
        this.clock = clock;
    }

    /** What an event is about. */
    public enum Kind {
        MATERIAL("material"),
        SUPPLIER("supplier"),
        RECIPE("recipe"),
        EQUIPMENT("equipment"),
        PEOPLE("people"),
        NOTE("note");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** The kind in words. */
        public String words() {
            return words;
        }
    }

    /** An event as the chart shows it; at one lot where it is a note, and then without its name. */
    record EventView(LocalDate on, @Nullable Long lotId, String words) {}

    /** An event as typed; with a lot it is a note at that lot of this chart, and needs no day. */
    public record Typed(
            @Nullable String day,
            @Nullable String lot,
            @Nullable String kind,
            @Nullable String words,
            @Nullable String everywhere,
            @Nullable String request) {

        /** A form that nobody has filled in yet. */
        static Typed fresh() {
            return new Typed("", "", "", "", "", UUID.randomUUID().toString());
        }
    }

    /** Enters an event seen from a chart; sent twice, it is entered once. */
    @Write
    public void enter(SeriesPoints.SeriesView chart, Typed typed, Problems problems, String by) {
        Optional<LotView> lot = lot(chart, typed, problems);
        LocalDate today = LocalDate.now(clock);
        LocalDate day = lot.isPresent() ? lot.get().madeOn() : problems.date("day", typed.day(), today);
        if (day.isAfter(today) || day.isBefore(today.minusYears(30))) {
            problems.add("day", "An event lies on a day of the last thirty years, not after today.");
        }
        Optional<Kind> kind =
                problems.entry("kind", "What it is about", typed.kind()).choice(Kind.values());
        if (kind.isEmpty()) {
            problems.entry("kind", "What it is about", typed.kind()).missing("material");
        }
        String request = typed.request() == null ? "" : typed.request();
        if (request.isBlank() || request.length() > LONGEST_KEY) {
            problems.add("event", "This form is not one of ours; load the page again.");
        }
        String words = problems.text("event", typed.words(), "What happened", LONGEST, true);
        if (!problems.none() || events.existsByRequest(request)) {
            return;
        }
        Long product = "yes".equals(typed.everywhere()) ? null : chart.productId();
        Event event = new Event();
        event.seriesId = lot.isPresent() ? chart.id() : null;
        event.lotId = lot.map(LotView::id).orElse(null);
        event.request = request;
        event.productId = product;
        event.happenedOn = day;
        event.kind = kind.get();
        event.words = words;
        event.enteredBy = by;
        event.enteredAt = clock.instant();
        events.save(event);
    }

    /** The lot that a note stands at; it must have a point on the chart. */
    private Optional<LotView> lot(SeriesPoints.SeriesView chart, Typed typed, Problems problems) {
        String code = typed.lot() == null ? "" : typed.lot().strip();
        if (code.isEmpty()) {
            return Optional.empty();
        }
        Optional<LotView> lot = lots.find(code)
                .filter(found -> series.points(chart.id()).stream().anyMatch(point -> point.lotId() == found.id()));
        if (lot.isEmpty()) {
            problems.add(
                    "lot", "'" + code + "' has no point on this chart; leave it empty for what stands by its day.");
        } else if ("yes".equals(typed.everywhere())) {
            problems.add("lot", "A note at one lot stands on this chart alone: clear the lot, or the tick below.");
        }
        return lot;
    }

    /** Those of a chart, its product and the site between two days, the newest first. */
    @Transactional(readOnly = true)
    public List<EventView> between(SeriesPoints.SeriesView chart, LocalDate from, LocalDate to) {
        return events.between(chart.productId(), chart.id(), from, to, Limit.of(MOST)).stream()
                .map(event -> new EventView(event.happenedOn, event.lotId, words(event)))
                .toList();
    }

    /** With who wrote it down, and when, where that was another day: what is remembered after a signal is no less true, and no record of before. */
    private String words(Event event) {
        LocalDate written = LocalDate.ofInstant(event.enteredAt, clock.getZone());
        String where = event.lotId == null ? event.happenedOn.toString() : "this chart alone";
        return where + ", " + event.kind.words() + ": " + event.words + " (" + event.enteredBy
                + (written.equals(event.happenedOn) ? "" : ", written down on " + written)
                + (event.productId == null ? ", every product" : "") + ")";
    }
}
