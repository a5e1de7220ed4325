package org.ysometron.app.evidence;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Component;
import org.ysometron.app.lot.Blends;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.app.store.Revisions;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.Entry;
import org.ysometron.app.web.Problems;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.Table;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.characteristic.OfMaterial;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Setup;
import org.ysometron.core.material.Blend;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.UnitOfMeasure;

/**
 * Lots of before this application, from a spreadsheet: their means, s and n make a chart on the first day. A row belongs to
 * the series of the claim that it speaks of; it is marked as brought in, and takes no readings.
 */
@Component
class BroughtIn {

    static final List<String> COLUMNS = List.of(
            "lot",
            "made_on",
            "colour",
            "property",
            "orientation",
            "n",
            "mean",
            "s",
            "formulation",
            "masterbatch",
            "masterbatch_share");
    private static final Set<String> OPTIONAL =
            Set.of("orientation", "s", "formulation", "masterbatch", "masterbatch_share");

    private static final int MOST_ROWS = 20_000;

    private final Lots lots;
    private final Publications publications;
    private final SeriesPoints series;
    private final SeriesRepository seriesTable;
    private final PointRepository points;
    private final Revisions revisions;
    private final ApplicationEventPublisher events;
    private final java.time.Clock clock;

    BroughtIn(
            Lots lots,
            Publications publications,
            SeriesPoints series,
            SeriesRepository seriesTable,
            PointRepository points,
            Revisions revisions,
            ApplicationEventPublisher events,
            java.time.Clock clock) {
        this.lots = lots;
        this.publications = publications;
        this.series = series;
        this.seriesTable = seriesTable;
        this.points = points;
        this.revisions = revisions;
        this.events = events;
        this.clock = clock;
    }

    /** What was taken in. */
    record Taken(int lots, int points) {}

    /** A row as it can be stored. */
    private record Row(
            String lot,
            LocalDate madeOn,
            String colour,
            Blend blend,
            Claim claim,
            int n,
            double mean,
            OptionalDouble sd) {}

    /** Takes in a whole file or nothing; every row that cannot be read is named. */
    @Write
    public Taken take(Products.ProductView product, String text, String by) {
        List<Row> rows = read(product, text);
        Set<Long> touched = new HashSet<>();
        Map<String, LotView> known = new HashMap<>();
        int stored = 0;
        for (Row row : rows) {
            LotView lot = known.computeIfAbsent(
                    row.lot(), code -> lots.bringIn(product, code, row.colour(), row.madeOn(), row.blend(), by));
            Conditions terms = terms(row.claim());
            long id = series.find(lot, row.claim().property(), terms, Setup.NONE)
                    .map(SeriesPoints.SeriesView::id)
                    .orElseGet(() -> seriesTable.save(new Series(
                                    product.id(), row.colour(), row.claim().property(), terms, Setup.NONE, row.blend()))
                            .id);
            boolean there = points.findByLotId(lot.id()).stream().anyMatch(point -> point.seriesId == id);
            if (!there) {
                Point point = new Point();
                point.seriesId = id;
                point.lotId = lot.id();
                point.madeOn = row.madeOn();
                point.n = row.n();
                point.mean = row.mean();
                point.sd = row.sd().isPresent() ? row.sd().getAsDouble() : null;
                points.save(point);
                touched.add(id);
                stored++;
            }
        }
        events.publishEvent(new EvidenceChanged(touched));
        revisions.raise(Revisions.history(product.id()));
        return new Taken(known.size(), stored);
    }

    /** The terms of the series that lots of now will be on: what intake measures has its own way of measuring. */
    private static Conditions terms(Claim claim) {
        Characteristic property = claim.property();
        if (property.isMechanical()) {
            return claim.conditions();
        }
        if (property.equals(OfMaterial.FILAMENT_DIAMETER) || property.equals(OfMaterial.FILAMENT_OVALITY)) {
            return Conditions.ofMaterial("laser gauge", "two axes");
        }
        if (property.equals(OfMaterial.DENSITY)) {
            return Conditions.ofMaterial("density", "");
        }
        throw new Refusal(
                "file", property.title() + " says nothing without how it was measured, which a row cannot say.");
    }

    private List<Row> read(Products.ProductView product, String given) {
        List<Claim> claims = publications
                .newestDatasheet(product.id())
                .map(sheet -> publications.claims(sheet.id()))
                .orElse(List.of());
        return Table.read(given, COLUMNS, OPTIONAL, MOST_ROWS).each(row -> row(product, claims, row));
    }

    private Row row(Products.ProductView product, List<Claim> claims, Table.Row record) {
        String code = record.at("lot");
        if (!code.matches("[A-Za-z0-9][A-Za-z0-9._-]{0,39}")) {
            throw new Refusal("'" + code + "' is no code of a lot; letters, digits, dots, dashes and underscores are.");
        }
        LocalDate madeOn = day(record.at("made_on"));
        String colour = record.at("colour");
        if (!product.colours().contains(colour)) {
            throw new Refusal("'" + colour + "' is no colour of " + product.name() + "; there are "
                    + String.join(", ", product.colours()) + ".");
        }
        Characteristic property = property(record.at("property"));
        String orientation = record.at("orientation").toUpperCase(Locale.ROOT);
        Claim claim = claims.stream()
                .filter(candidate -> candidate.property().equals(property))
                .filter(candidate -> property.isRatio()
                        || !property.isMechanical()
                        || (candidate.conditions().orientation() != Orientation.NONE
                                && candidate.conditions().orientation().name().equals(orientation)))
                .findFirst()
                .orElseThrow(() -> new Refusal("the datasheet makes no claim on "
                        + property.title().toLowerCase(Locale.ROOT)
                        + (orientation.isEmpty() ? " without an orientation" : ", " + orientation)
                        + " whose terms the chart could go by."));
        int n = Problems.thrown().cell("file", "n", record.at("n")).neededWhole(1, 9999);
        double mean = number("mean", record.at("mean"), property);
        String typed = record.at("s");
        OptionalDouble sd =
                typed.isEmpty() || n < 2 ? OptionalDouble.empty() : OptionalDouble.of(number("s", typed, property));
        return new Row(code, madeOn, colour, blend(record), claim, n, mean, sd);
    }

    private static Blend blend(Table.Row record) {
        Problems problems = new Problems();
        Blend blend = Blends.read(
                record.at("formulation"), record.at("masterbatch"), record.at("masterbatch_share"), problems);
        if (!problems.none()) {
            throw new Refusal(String.join(" ", problems.all().values()));
        }
        return blend;
    }

    private LocalDate day(String text) {
        LocalDate day = Entry.strict("made_on", "made on", text).neededDay();
        if (day.isAfter(LocalDate.now(clock))) {
            throw new Refusal("made on " + day + ", which has not come yet.");
        }
        return day;
    }

    private static Characteristic property(String text) {
        for (Characteristic property : Characteristics.all()) {
            if (property.id().equalsIgnoreCase(text)
                    || Topic.on(property).name().equalsIgnoreCase(text.replace(' ', '_'))
                    || property.title().equalsIgnoreCase(text)) {
                return property;
            }
        }
        throw new Refusal("'" + text + "' is no property that is charted; for example Tensile strength.");
    }

    private static double number(String what, String text, Characteristic property) {
        Entry entry = Problems.thrown().cell("file", what, text);
        if (entry.isBlank()) {
            entry.missing("12.5");
        }
        Optional<UnitOfMeasure> unit = UnitOfMeasure.find(property.unit());
        return (unit.isPresent() ? entry.neededQuantity(unit.get()) : entry.number(Double.MAX_VALUE, "12.5"))
                .orElseThrow();
    }
}
