package org.ysometron.app.intake;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.ysometron.app.intake.Reduced.Fact;
import org.ysometron.app.product.Publications;
import org.ysometron.app.web.Problems;
import org.ysometron.core.dimension.Artefact;
import org.ysometron.core.material.Drying;
import org.ysometron.core.material.WorkingCurve;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.UnitOfMeasure;
import org.ysometron.core.statistics.Summary;
import org.ysometron.core.working.Figures;
import org.ysometron.core.working.Step;
import org.ysometron.core.working.Working;

/** Reads a record's entries into the core's terms and reduces them; the one place where entries become figures. */
@Component
class Reductions {

    static final double USUAL_GATE = 0.2;
    private static final double USUAL_LAYER = 0.05;
    private static final double USUAL_OVERCURE = 2;

    private final Publications publications;

    Reductions(Publications publications) {
        this.publications = publications;
    }

    /**
     * Reduces entries.
     *
     * @param datasheetId the lot's datasheet, for what is recommended
     * @return empty when something is wrong, which then stands in {@code problems}
     */
    /** A value that a datasheet states, in working units; the lower end where it states a range. */
    OptionalDouble published(long datasheetId, Topic topic) {
        return publications.statements(datasheetId).stream()
                .filter(statement -> statement.topic().equals(topic))
                .map(statement -> statement.value().isPresent() ? statement.value() : statement.low())
                .filter(OptionalDouble::isPresent)
                .findFirst()
                .orElse(OptionalDouble.empty());
    }

    Optional<Reduced> reduce(RecordKind kind, Map<String, String> typed, long datasheetId, Problems problems) {
        Entries entries = new Entries(typed, problems);
        try {
            Reduced reduced =
                    switch (kind) {
                        case HAND_DIAMETER -> diameters(kind, entries);
                        case DRYING -> drying(kind, entries);
                        case FILAMENT_DENSITY -> density(kind, entries);
                        case RESIN -> resin(kind, entries);
                        case CURE_DEPTH -> curve(kind, entries);
                        case ARTEFACT -> sizes(kind, entries);
                        case FIT -> fit(kind, entries);
                        case SETTINGS -> settings(kind, entries, datasheetId);
                    };
            return problems.none() ? Optional.ofNullable(reduced) : Optional.empty();
        } catch (IllegalArgumentException impossible) {
            problems.add("", Figures.capital(String.valueOf(impossible.getMessage())) + ".");
            return Optional.empty();
        }
    }

    private static Field field(RecordKind kind, String name) {
        return kind.fields().stream()
                .filter(field -> field.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static @Nullable Reduced diameters(RecordKind kind, Entries entries) {
        Field places = field(kind, "places");
        List<List<String>> lines = entries.lines(places);
        double[] diameters = new double[lines.size()];
        List<Double> across = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            List<String> cells = lines.get(i);
            if (cells.size() > 2) {
                entries.wrong(
                        places, "Line " + (i + 1) + ": '" + String.join(" ", cells) + "' has more than two diameters.");
                return null;
            }
            double x = entries.millimetres(places, i, cells.get(0));
            double y = cells.size() == 2 ? entries.millimetres(places, i, cells.get(1)) : x;
            diameters[i] = (x + y) / 2;
            if (cells.size() == 2) {
                across.add(Math.abs(x - y));
            }
        }
        if (diameters.length < 2) {
            entries.wrong(places, "Two places at least; ten are wanted.");
            return null;
        }
        Summary summary = Summary.of(diameters);
        double[] ovalities = across.stream().mapToDouble(Double::doubleValue).toArray();
        List<Fact> facts = new ArrayList<>();
        facts.add(Fact.of("mean diameter", Figures.decimals(summary.mean(), 3) + " mm at " + summary.n() + " places"));
        facts.add(Fact.of("s", Figures.decimals(summary.sd().orElse(0), 3) + " mm"));
        facts.add(Fact.of(
                "extremes",
                Figures.decimals(summary.least(), 3) + " to " + Figures.decimals(summary.greatest(), 3) + " mm"));
        // One diameter has no ovality, rather than one of zero.
        facts.add(Fact.of(
                "mean ovality",
                ovalities.length == 0
                        ? "unknown: one diameter at each place"
                        : Figures.decimals(Summary.of(ovalities).mean(), 3) + " mm at " + ovalities.length
                                + " places"));
        if (summary.n() < 10) {
            facts.add(Fact.of("places", summary.n() + "; ten are wanted"));
        }
        Working working = Working.of(
                new Step("mean diameter", "d̄", "mean of (x + y)/2 over the places", "", summary.mean(), "mm", ""));
        return new Reduced.Diameters(diameters, ovalities, facts, working);
    }

    private static @Nullable Reduced drying(RecordKind kind, Entries entries) {
        Optional<LocalDateTime> ended = entries.moment(field(kind, "ended"));
        OptionalDouble temperature = entries.quantity(field(kind, "temperature"));
        OptionalDouble seconds = entries.quantity(field(kind, "time"));
        Optional<String> kept = entries.choice(field(kind, "kept"));
        OptionalDouble humidity = entries.quantity(field(kind, "humidity"));
        OptionalDouble before = entries.quantity(field(kind, "before"));
        OptionalDouble after = entries.quantity(field(kind, "after"));
        if (humidity.isPresent() && humidity.getAsDouble() > 1) {
            entries.wrong(field(kind, "humidity"), "A relative humidity is at most 100 %: type 18 %.");
        }
        if (ended.isEmpty() || temperature.isEmpty() || seconds.isEmpty() || kept.isEmpty()) {
            return null;
        }
        Drying.Dried record = new Drying.Dried(
                ended.get(),
                temperature.getAsDouble(),
                seconds.getAsDouble() / 3600,
                Drying.Kept.valueOf(kept.get()),
                humidity);
        List<Fact> facts = new ArrayList<>();
        facts.add(Fact.of(
                "dried",
                Figures.plain(record.hours(), 3) + " h at " + Figures.plain(record.temperature(), 3) + " °C, until "
                        + moment(record.ended())));
        facts.add(Fact.of(
                "kept since",
                record.kept().words()
                        + (humidity.isPresent()
                                ? ", " + Figures.plain(100 * humidity.getAsDouble(), 3) + " % humidity"
                                : ", humidity not read")));
        if (before.isPresent() && after.isPresent()) {
            facts.add(Fact.of(
                    "loss on drying",
                    Figures.significant(Drying.lossPercent(before.getAsDouble(), after.getAsDouble()), 2)
                            + " % of the mass before drying"));
        }
        return new Reduced.Dried(record, facts);
    }

    private static @Nullable Reduced density(RecordKind kind, Entries entries) {
        OptionalDouble density = entries.quantity(field(kind, "density"));
        String how = entries.text(field(kind, "how"));
        if (density.isEmpty()) {
            return null;
        }
        return new Reduced.Resin(
                density,
                OptionalDouble.empty(),
                "",
                List.of(Fact.of(
                        "density",
                        Figures.significant(density.getAsDouble(), 4) + " g/cm³" + (how.isEmpty() ? "" : ", " + how))));
    }

    private static Reduced resin(RecordKind kind, Entries entries) {
        OptionalDouble density = entries.quantity(field(kind, "density"));
        OptionalDouble viscosity = entries.quantity(field(kind, "viscosity"));
        OptionalDouble viscosityAt = entries.quantity(field(kind, "viscosityAt"));
        OptionalDouble printedAt = entries.quantity(field(kind, "printedAt"));
        String hardness = entries.text(field(kind, "hardness"));
        if (viscosity.isPresent() && viscosityAt.isEmpty()) {
            entries.wrong(field(kind, "viscosityAt"), "A viscosity without its temperature says nothing.");
        }
        if (!hardness.isEmpty() && !hardness.matches("(?i)\\d{1,3}([.,]\\d+)?\\s*(Shore\\s*)?[AD]")) {
            entries.wrong(field(kind, "hardness"), "'" + hardness + "': expected for example 75 Shore D or 60 A.");
        }
        List<Fact> facts = new ArrayList<>();
        density.ifPresent(value -> facts.add(Fact.of("density", Figures.significant(value, 4) + " g/cm³")));
        String at = viscosityAt.isPresent() ? Figures.plain(viscosityAt.getAsDouble(), 3) + " °C" : "";
        viscosity.ifPresent(
                value -> facts.add(Fact.of("viscosity", Figures.significant(value, 3) + " mPa·s at " + at)));
        printedAt.ifPresent(value -> facts.add(Fact.of("printed at", Figures.plain(value, 3) + " °C")));
        if (!hardness.isEmpty()) {
            facts.add(Fact.of("hardness", hardness));
        }
        if (facts.isEmpty()) {
            entries.wrong(field(kind, "density"), "Nothing was typed: fill in at least one value.");
        }
        return new Reduced.Resin(density, viscosity, at, facts);
    }

    private static @Nullable Reduced curve(RecordKind kind, Entries entries) {
        String unit = entries.choice(field(kind, "unit")).orElse("s");
        String source = entries.text(field(kind, "source"));
        Field points = field(kind, "points");
        List<List<String>> lines = entries.lines(points);
        double[] exposures = new double[lines.size()];
        double[] depths = new double[lines.size()];
        for (int i = 0; i < lines.size(); i++) {
            List<String> cells = lines.get(i);
            OptionalDouble exposure = Entries.bare(cells.get(0));
            if (cells.size() != 2 || exposure.isEmpty()) {
                entries.wrong(
                        points,
                        "Line " + (i + 1) + ": '" + String.join(" ", cells)
                                + "'; expected an exposure and a depth, for example 2.0 0.094.");
                return null;
            }
            exposures[i] = exposure.getAsDouble();
            depths[i] = entries.millimetres(points, i, cells.get(1));
        }
        OptionalDouble recipe = entries.number(field(kind, "recipe"));
        double layer = entries.quantity(field(kind, "layer")).orElse(USUAL_LAYER);
        double overcure = entries.number(field(kind, "overcure")).orElse(USUAL_OVERCURE);
        WorkingCurve fit = WorkingCurve.fit(exposures, depths, unit);
        List<Fact> facts = new ArrayList<>();
        facts.add(Fact.of(
                "Dp",
                Figures.significant(fit.penetration(), 3) + " mm, 95 % "
                        + Figures.significant(fit.penetrationLower(), 3) + " to "
                        + Figures.significant(fit.penetrationUpper(), 3)));
        facts.add(Fact.of(
                "Ec",
                Figures.significant(fit.critical(), 3) + " " + unit + ", 95 % "
                        + Figures.significant(fit.criticalLower(), 3) + " to "
                        + Figures.significant(fit.criticalUpper(), 3)));
        if (fit.count() < WorkingCurve.EXPOSURES_WANTED) {
            facts.add(Fact.of("exposures", fit.count() + "; five are wanted"));
        }
        if (recipe.isPresent()) {
            WorkingCurve.Margin margin = fit.margin(recipe.getAsDouble(), layer, overcure);
            double percent = 100 * margin.excess();
            facts.add(new Fact(
                    "exposure in use",
                    Figures.plain(recipe.getAsDouble(), 4) + " " + unit + " cures "
                            + Figures.significant(margin.depth(), 3)
                            + " mm, " + Figures.decimals(margin.overcure(), 1) + " layers; the fit asks for "
                            + Figures.significant(margin.wanted(), 3) + " " + unit + ", so it is "
                            + Figures.decimals(Math.abs(percent), 0) + " % too " + (percent > 0 ? "long" : "short"),
                    Math.abs(percent) > 15));
        }
        return new Reduced.Curve(fit, exposures, depths, unit, recipe, layer, overcure, source, facts);
    }

    private static @Nullable Reduced sizes(RecordKind kind, Entries entries) {
        String printer = entries.text(field(kind, "printer"));
        Field rows = field(kind, "features");
        List<Artefact.Feature> features = new ArrayList<>();
        List<List<String>> lines = entries.lines(rows);
        for (int i = 0; i < lines.size(); i++) {
            List<String> cells = lines.get(i);
            Optional<Artefact.Axis> axis = named(Artefact.Axis.values(), cells.get(0));
            Optional<Artefact.Kind> sort =
                    cells.size() > 1 ? named(Artefact.Kind.values(), cells.get(1)) : Optional.empty();
            if (cells.size() != 4 || axis.isEmpty() || sort.isEmpty()) {
                entries.wrong(
                        rows,
                        "Line " + (i + 1) + ": '" + String.join(" ", cells)
                                + "'; expected axis, kind, nominal, measured, for example X outer 20 20.06.");
                return null;
            }
            features.add(new Artefact.Feature(
                    axis.get(),
                    sort.get(),
                    entries.millimetres(rows, i, cells.get(2)),
                    entries.millimetres(rows, i, cells.get(3))));
        }
        double gate = entries.quantity(RecordKind.GATE).orElse(USUAL_GATE);
        OptionalDouble layer = entries.quantity(field(kind, "layer"));
        Artefact.Result result = Artefact.analyse(features, gate);
        List<Fact> facts = new ArrayList<>();
        Working working = Working.NONE;
        for (Artefact.Fit fit : result.fits().values()) {
            facts.add(axis(fit, layer));
            fit.advice().forEach(advice -> facts.add(Fact.of("", advice)));
            working = working.then(fit.working());
        }
        result.scaledBy()
                .ifPresent(k ->
                        facts.add(new Fact("all axes", "the model was scaled by " + Figures.decimals(k, 4), true)));
        result.gross()
                .forEach(f -> facts.add(new Fact(
                        "gross error",
                        f.axis() + " " + f.kind().words() + " " + Figures.plain(f.nominal(), 5) + " mm measures "
                                + Figures.plain(f.measured(), 5) + " mm",
                        true)));
        if (!result.outside().isEmpty()) {
            facts.add(new Fact(
                    "size gate",
                    result.outside().size() + " of " + features.size() + " features are off by more than "
                            + Figures.plain(gate, 3) + " mm",
                    true));
        }
        result.notes().forEach(note -> facts.add(Fact.of("", note)));
        return new Reduced.Sizes(result, printer, facts, working);
    }

    private static Fact axis(Artefact.Fit fit, OptionalDouble layer) {
        boolean height = fit.axis() == Artefact.Axis.Z;
        double half = fit.offset().upper() - fit.offset().value();
        String layers = height && layer.isPresent() && fit.offset().differsFrom(0)
                ? ", " + Figures.decimals(Math.abs(fit.offset().value()) / layer.getAsDouble(), 1) + " layers"
                : "";
        return Fact.of(
                "in " + fit.axis(),
                "scale " + Figures.decimals(fit.scale().value(), 4) + " ± "
                        + Figures.significant(fit.scale().upper() - fit.scale().value(), 2) + ", "
                        + (height ? "height error " : "edge offset ")
                        + Figures.decimals(fit.offset().value(), 3) + " ± "
                        + Figures.significant(half, 2) + " mm (95 %)" + layers);
    }

    private static @Nullable Reduced fit(RecordKind kind, Entries entries) {
        String feature = entries.text(field(kind, "feature"));
        Optional<String> fit = entries.choice(field(kind, "fit"));
        String correction = entries.text(field(kind, "correction"));
        if (fit.isEmpty()) {
            return null;
        }
        boolean passes = !fit.get().equals("NO_GO");
        String words = fit.get().toLowerCase(Locale.ROOT).replace('_', '-');
        return new Reduced.Fitted(
                passes,
                feature,
                List.of(new Fact(
                        feature, words + (correction.isEmpty() ? "" : "; corrected: " + correction), !passes)));
    }

    /** Recommended and used side by side with their difference (the datasheet's value, else the middle of its range). */
    private Reduced settings(RecordKind kind, Entries entries, long datasheetId) {
        List<Statement> statements = publications.statements(datasheetId);
        String printer = entries.text(field(kind, "printer"));
        List<Fact> facts = new ArrayList<>();
        for (Field field : kind.fields()) {
            Dimension dimension = field.dimension();
            if (dimension == null) {
                continue;
            }
            OptionalDouble used = entries.quantity(field);
            if (used.isPresent()) {
                Topic topic = Topic.named(field.name()).orElseThrow();
                Optional<Statement> said =
                        statements.stream().filter(s -> s.topic().equals(topic)).findFirst();
                facts.add(setting(field, used.getAsDouble(), said, dimension));
            }
        }
        if (facts.isEmpty()) {
            entries.wrong(kind.fields().get(1), "Nothing was typed: fill in at least one setting.");
        }
        facts.add(0, Fact.of("on", printer));
        return new Reduced.Settings(facts);
    }

    private static Fact setting(Field field, double used, Optional<Statement> said, Dimension dimension) {
        String unit = dimension == Dimension.RATIO
                ? "%"
                : UnitOfMeasure.working(dimension).symbol();
        double factor = dimension == Dimension.RATIO ? 100 : 1;
        String shown = Figures.plain(used * factor, 4) + " " + unit;
        if (said.isEmpty()) {
            return Fact.of(field.label(), shown + "; nothing is recommended");
        }
        Statement statement = said.get();
        OptionalDouble middle = statement.value().isPresent()
                ? statement.value()
                : statement.low().isPresent() && statement.high().isPresent()
                        ? OptionalDouble.of((statement.low().getAsDouble()
                                        + statement.high().getAsDouble())
                                / 2)
                        : OptionalDouble.empty();
        boolean outside = (statement.low().isPresent() && used < statement.low().getAsDouble())
                || (statement.high().isPresent() && used > statement.high().getAsDouble());
        String difference =
                middle.isPresent() ? "; difference " + signed((used - middle.getAsDouble()) * factor) + " " + unit : "";
        return new Fact(
                field.label(),
                shown + "; recommended " + statement.published() + difference + (outside ? "; outside the range" : ""),
                outside);
    }

    private static String signed(double value) {
        return (value > 0 ? "+" : "") + Figures.plain(value, 3);
    }

    private static String moment(LocalDateTime at) {
        return at.toString().replace('T', ' ');
    }

    private static <E extends Enum<E>> Optional<E> named(E[] values, String text) {
        for (E value : values) {
            if (value.name().equalsIgnoreCase(text)) {
                return Optional.of(value);
            }
        }
        return Optional.empty();
    }
}
