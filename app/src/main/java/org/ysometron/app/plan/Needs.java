package org.ysometron.app.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Component;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.plan.Budget;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.publication.Family;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Topic;

/** What material and printer time specimens of a product take. */
@Component
public class Needs {

    private static final double USUAL_FILAMENT_DENSITY = 1.25;
    private static final double USUAL_RESIN_DENSITY = 1.1;
    private static final double USUAL_DIAMETER = 1.75;

    private final Publications publications;
    private final Site site;

    Needs(Publications publications, Site site) {
        this.publications = publications;
        this.site = site;
    }

    /**
     * Material and speed of a product's printing at this site.
     *
     * @param assumed what was assumed because no datasheet says it, in words
     */
    public record Ground(Budget.Material material, Budget.Speed speed, List<String> assumed) {

        /** What some tests take. */
        public Budget budget(List<PlannedTest> tests) {
            return Budget.of(tests, material, speed);
        }
    }

    /** Material and speed of a product's printing. */
    public Ground of(Products.ProductView product) {
        boolean resin = product.family() == Family.RESIN;
        List<String> assumed = new ArrayList<>();
        List<Statement> said = publications
                .newestDatasheet(product.id())
                .map(sheet -> publications.statements(sheet.id()))
                .orElse(List.of());
        double density = said(said, Topic.DENSITY)
                .orElseGet(() ->
                        assume(assumed, "density", resin ? USUAL_RESIN_DENSITY : USUAL_FILAMENT_DENSITY, "g/cm³"));
        double diameter = resin
                ? 0
                : said(said, Topic.DIAMETER).orElseGet(() -> assume(assumed, "diameter", USUAL_DIAMETER, "mm"));
        Site.Values values = site.values();
        return new Ground(
                new Budget.Material(density, diameter, Math.min(1, values.of(Setting.WASTE))),
                new Budget.Speed(
                        resin ? 0 : values.of(Setting.FLOW),
                        values.of(Setting.LAYER),
                        resin ? values.of(Setting.LAYER_TIME) : 0,
                        (int) Math.max(1, Math.round(values.of(Setting.PLATE)))),
                assumed);
    }

    private static double assume(List<String> assumed, String what, double usual, String unit) {
        assumed.add("no " + what + " is published: " + usual + " " + unit + " assumed");
        return usual;
    }

    /** The value that the datasheet calls its own, or the middle of a range. */
    private static Optional<Double> said(List<Statement> statements, Topic topic) {
        for (Statement statement : statements) {
            if (statement.topic().equals(topic)) {
                OptionalDouble value = statement.value();
                if (value.isPresent()) {
                    return Optional.of(value.getAsDouble());
                }
                if (statement.low().isPresent() && statement.high().isPresent()) {
                    return Optional.of(
                            (statement.low().getAsDouble() + statement.high().getAsDouble()) / 2);
                }
            }
        }
        return Optional.empty();
    }
}
