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
import org.ysometron.core.quantity.Typed;
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
        @Nullable String note) {

    static final InstrumentForm BLANK = new InstrumentForm(null, "", "", "", "", "", "", "", "", "", "", "");

    NewInstrument read(Problems problems) {
        Kind chosen = kind == null ? capacity == null || capacity.isBlank() ? Kind.CALIPERS : Kind.FORCE_GAUGE : kind;
        String named = problems.text("name", name, "The name", 60, true);
        boolean large = chosen.capacity().isPresent();
        boolean measures = chosen.station().isEmpty() && chosen != Kind.LIGHT_ENGINE && chosen != Kind.FIXTURE;
        Dimension dimension = unit(chosen).dimension();
        OptionalDouble most =
                large ? number("capacity", "Capacity", capacity, dimension, true, problems) : OptionalDouble.empty();
        Dimension uncertain = large ? Dimension.RATIO : dimension;
        double uncertainty = measures
                ? number("uncertainty", "Uncertainty", this.uncertainty, uncertain, true, problems)
                        .orElse(0)
                : 0;
        return new NewInstrument(
                chosen,
                named,
                most,
                large ? uncertainty : 0,
                large ? 0 : uncertainty,
                new Facts(
                        held(problems),
                        number("resolution", "Resolution", resolution, dimension, false, problems),
                        number("rangeLow", "Lower end of its range", rangeLow, dimension, false, problems),
                        problems.text("rates", rates, "The rates", 80, false),
                        plain("compliance", compliance, problems),
                        number(
                                "freeSwingLoss",
                                "Loss of a free swing",
                                freeSwingLoss,
                                Dimension.ENERGY,
                                false,
                                problems),
                        problems.text("rig", rig, "The rig", 80, false),
                        problems.text("note", note, "The note", 300, false)));
    }

    private int held(Problems problems) {
        String typed = places == null ? "" : places.strip();
        try {
            return typed.isEmpty() ? 1 : Integer.parseInt(typed);
        } catch (NumberFormatException notWhole) {
            problems.add("places", "'" + typed + "' is not a whole number; expected for example 12.");
            return 1;
        }
    }

    /** Compliance is typed bare, in mm/N: the product has no unit of that dimension. */
    private static OptionalDouble plain(String field, @Nullable String typed, Problems problems) {
        String bare = typed == null ? "" : typed.replace("mm/N", "").strip();
        if (bare.isEmpty()) {
            return OptionalDouble.empty();
        }
        Typed read = Typed.read("Compliance", bare, UnitOfMeasure.working(Dimension.RATIO));
        if (read instanceof Typed.Accepted accepted && accepted.value() >= 0) {
            return OptionalDouble.of(accepted.value());
        }
        problems.add(field, "'" + typed + "' is no compliance; expected for example 0.0004 mm/N.");
        return OptionalDouble.empty();
    }

    private static OptionalDouble number(
            String field,
            String name,
            @Nullable String typed,
            Dimension dimension,
            boolean required,
            Problems problems) {
        if (!required && (typed == null || typed.isBlank())) {
            return OptionalDouble.empty();
        }
        Typed read = Typed.read(name, typed == null ? "" : typed, UnitOfMeasure.working(dimension));
        if (read instanceof Typed.Accepted accepted) {
            return OptionalDouble.of(accepted.value());
        }
        problems.add(field, ((Typed.Refused) read).problem().beside());
        return OptionalDouble.empty();
    }

    /** The unit that a kind reads in. */
    static UnitOfMeasure unit(Kind kind) {
        return UnitOfMeasure.working(kind.capacity().orElse(kind == Kind.BALANCE ? Dimension.MASS : Dimension.LENGTH));
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
        if (!facts.rig().isEmpty()) {
            lines.add("in " + facts.rig());
        }
        if (!facts.note().isEmpty()) {
            lines.add(facts.note());
        }
        return lines;
    }
}
