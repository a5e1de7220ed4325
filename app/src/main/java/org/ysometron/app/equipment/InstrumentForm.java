package org.ysometron.app.equipment;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.equipment.Instruments.Facts;
import org.ysometron.app.equipment.Instruments.InstrumentView;
import org.ysometron.app.equipment.Instruments.NewInstrument;
import org.ysometron.app.web.Problems;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.working.Figures;

/** A piece of equipment as typed. */
record InstrumentForm(
        @Nullable Kind kind,
        @Nullable String name,
        @Nullable String capacity,
        @Nullable String uncertainty,
        @Nullable String places,
        @Nullable String resolution,
        @Nullable String rangeLow,
        @Nullable String rates,
        @Nullable String compliance,
        @Nullable String freeSwingLoss,
        @Nullable String rig,
        @Nullable String note,
        @Nullable String serial) {

    private static final int MOST_PLACES = 500;

    static final InstrumentForm BLANK = new InstrumentForm(null, "", "", "", "", "", "", "", "", "", "", "", "");

    NewInstrument read(Problems problems) {
        Kind chosen = kind == null ? capacity == null || capacity.isBlank() ? Kind.CALIPERS : Kind.FORCE_GAUGE : kind;
        String named = problems.text("name", name, "The name", 60, true);
        boolean large = chosen.capacity().isPresent();
        boolean measures = chosen.station().isEmpty() && chosen != Kind.LIGHT_ENGINE && chosen != Kind.FIXTURE;
        Dimension dimension = unit(chosen).dimension();
        OptionalDouble most = large
                ? problems.entry("capacity", "Capacity", capacity).neededQuantity(dimension)
                : OptionalDouble.empty();
        Dimension uncertain = large ? Dimension.RATIO : dimension;
        double uncertainty = measures
                ? problems.entry("uncertainty", "Uncertainty", this.uncertainty)
                        .neededQuantity(uncertain)
                        .orElse(0)
                : 0;
        return new NewInstrument(
                chosen,
                named,
                most,
                large ? uncertainty : 0,
                large ? 0 : uncertainty,
                new Facts(
                        problems.entry("places", "The number of places", places).whole(1, MOST_PLACES, 1),
                        problems.entry("resolution", "Resolution", resolution).quantity(dimension),
                        problems.entry("rangeLow", "Lower end of its range", rangeLow)
                                .quantity(dimension),
                        problems.text("rates", rates, "The rates", 80, false),
                        compliance(problems),
                        problems.entry("freeSwingLoss", "Loss of a free swing", freeSwingLoss)
                                .quantity(Dimension.ENERGY),
                        problems.text("rig", rig, "The rig", 80, false),
                        problems.text("note", note, "The note", 300, false)),
                problems.text("serial", serial, "The serial number", 40, false));
    }

    /** Compliance is typed bare or in mm/N: the product has no unit of that dimension. */
    private OptionalDouble compliance(Problems problems) {
        String bare = compliance == null ? "" : compliance.replace("mm/N", "");
        return problems.entry("compliance", "Compliance", bare).number(1, "0.0004 mm/N");
    }

    /** The unit that a kind reads in. */
    static UnitOfMeasure unit(Kind kind) {
        return UnitOfMeasure.working(kind.reads());
    }

    /** The capacity in words; a dash for what has none. */
    static String capacity(InstrumentView instrument) {
        return instrument.capacity().isPresent()
                ? Figures.plain(instrument.capacity().getAsDouble(), 4) + " "
                        + unit(instrument.kind()).symbol()
                : "—";
    }

    /** The standard uncertainty in words; nothing for what reads nothing. */
    static String uncertainty(InstrumentView instrument) {
        if (instrument.relativeUncertainty() > 0) {
            return Figures.significant(100 * instrument.relativeUncertainty(), 2) + " % of the reading";
        }
        return instrument.absoluteUncertainty() > 0
                ? Figures.significant(instrument.absoluteUncertainty(), 2) + " "
                        + unit(instrument.kind()).symbol()
                : "";
    }

    /** What is known of an instrument, one thing a line. */
    static List<String> facts(InstrumentView instrument) {
        Facts facts = instrument.facts();
        String unit = unit(instrument.kind()).symbol();
        List<String> lines = new ArrayList<>();
        if (facts.places() > 1) {
            lines.add("holds " + facts.places() + " at once");
        }
        facts.resolution().ifPresent(value -> lines.add("resolves " + Figures.plain(value, 3) + " " + unit));
        facts.rangeLow().ifPresent(value -> lines.add("used from " + Figures.plain(value, 3) + " " + unit + " on"));
        if (!facts.rates().isEmpty()) {
            lines.add(facts.rates());
        }
        facts.compliance().ifPresent(value -> lines.add("gives " + Figures.significant(value, 2) + " mm/N"));
        facts.freeSwingLoss().ifPresent(value -> lines.add("a free swing loses " + Figures.plain(value, 3) + " J"));
        if (!instrument.serial().isEmpty()) {
            lines.add("number " + instrument.serial());
        }
        if (!instrument.display().isEmpty()) {
            lines.add("its display shows " + instrument.display());
        }
        if (!facts.rig().isEmpty()) {
            lines.add("in " + facts.rig());
        }
        if (!facts.note().isEmpty()) {
            lines.add(facts.note());
        }
        return lines;
    }
}
