package org.ysometron.app.plan;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.util.ConcurrentLruCache;
import org.ysometron.app.chart.Scale;
import org.ysometron.app.product.Claim;
import org.ysometron.app.product.Products;
import org.ysometron.app.product.Publications;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.GuardBand;
import org.ysometron.core.claim.Requirement;
import org.ysometron.core.plan.Power;
import org.ysometron.core.working.Figures;

/** Shapes what a plan can show: the probability of supported against how far a lot really lies inside its claim. */
@Component
class PlanPages {

    static final double MOST_PERCENT = 15;

    private static final double LEFT = 52;
    private static final double RIGHT = 700;
    private static final double BOTTOM = 210;
    private static final double TOP = 14;
    private static final double LOTS = 5;

    /** Shift found within {@link #LOTS} lots, in standard deviations of a lot mean; the same for every chart. */
    private static final double SHIFT_FOUND = Power.shiftFoundWithin(LOTS);

    private static final Scale ACROSS = new Scale(0, MOST_PERCENT, LEFT, RIGHT);
    private static final Scale UP = new Scale(0, 1, BOTTOM, TOP);

    /** A curve follows from its terms alone, and takes a hundred integrals: those looked at last are kept. */
    private static final ConcurrentLruCache<Terms, Curve> CURVES = new ConcurrentLruCache<>(400, PlanPages::draw);

    /** What a curve follows from. */
    /** Of one curve; the room is what a claim with two edges leaves between them, without end for one. */
    private record Terms(int n, boolean chosen, double sd, double edge, double room, double confidence) {}

    private final Publications publications;
    private final History history;
    private final Site site;
    private final Clock clock;

    PlanPages(Publications publications, History history, Site site, Clock clock) {
        this.site = site;
        this.clock = clock;
        this.publications = publications;
        this.history = history;
    }

    /** A curve for one n. */
    record Curve(int n, String path, double labelX, double labelY, boolean chosen) {}

    /** A place on the margin's axis. */
    record Mark(double x, String words) {}

    /**
     * A claim with what n specimens show of it.
     *
     * @param curves empty when no history tells the scatter
     * @param chosen where the chosen margin lies
     * @param usual where the lots lie on average; null when outside the drawing
     */
    record ClaimView(
            String title,
            String claimed,
            String terms,
            List<Curve> curves,
            List<Scale.Tick> shares,
            List<Scale.Tick> margins,
            @Nullable Mark chosen,
            @Nullable Mark usual,
            List<String> lines) {}

    List<ClaimView> claims(Products.ProductView product, int n, double percent) {
        Optional<Publications.PublicationView> sheet = publications.newestDatasheet(product.id());
        List<ClaimView> views = new ArrayList<>();
        GuardBand guard = site.guard(LocalDate.now(clock).plusDays(1));
        for (Claim published : sheet.map(view -> publications.claims(view.id())).orElse(List.of())) {
            Claim claim = published.guarded(guard);
            boolean ofMean = claim.property().isTested() && claim.form() != Form.BETTER_THAN;
            if (ofMean) {
                views.add(view(claim, history.scatter(product.id(), claim), n, percent));
            }
        }
        return views;
    }

    private static ClaimView view(Claim claim, Optional<History.Scatter> scatter, int n, double percent) {
        Requirement requirement = claim.requirement();
        if (scatter.isEmpty()) {
            return new ClaimView(
                    claim.title(),
                    requirement.words(),
                    claim.terms(),
                    List.of(),
                    List.of(),
                    List.of(),
                    null,
                    null,
                    List.of(
                            "No lot with two specimens yet: how specimens scatter is unknown, and so is what a number of"
                                    + " them would show."));
        }
        double edge = edge(requirement);
        double sd = scatter.get().within();
        List<Curve> curves = new ArrayList<>();
        List<Integer> shown = new ArrayList<>(List.of(3, 5, 10));
        // A neighbour too close to the chosen n would lie on top of it.
        shown.removeIf(size -> Math.max(size, n) < 1.4 * Math.min(size, n));
        if (n > 1) {
            shown.add(n);
        }
        for (int size : shown) {
            curves.add(CURVES.get(new Terms(size, size == n, sd, edge, room(requirement), requirement.confidence())));
        }
        return new ClaimView(
                claim.title(),
                requirement.words(),
                claim.terms(),
                curves,
                shares(),
                ACROSS.ticks(8),
                new Mark(ACROSS.at(percent), Figures.plain(percent, 3) + " %"),
                usual(requirement, scatter.get(), edge),
                lines(claim, scatter.get(), n, percent, edge));
    }

    /** The edge that the margin is counted from: the lower one where there is one. */
    private static double edge(Requirement requirement) {
        return requirement.lower().isPresent()
                ? requirement.lower().getAsDouble()
                : requirement.upper().orElseThrow();
    }

    private static double room(Requirement requirement) {
        return requirement.lower().isPresent() && requirement.upper().isPresent()
                ? requirement.upper().getAsDouble() - requirement.lower().getAsDouble()
                : Double.POSITIVE_INFINITY;
    }

    private static double power(double margin, double room, double sd, int n, double confidence) {
        return Double.isInfinite(room)
                ? Power.supported(margin, sd, n, confidence)
                : Power.supported(margin, room - margin, sd, n, confidence);
    }

    private static Curve draw(Terms of) {
        StringBuilder path = new StringBuilder();
        double labelX = RIGHT;
        double labelY = TOP;
        for (int step = 0; step <= 60; step++) {
            double percent = MOST_PERCENT * step / 60;
            double power = power(percent / 100 * of.edge(), of.room(), of.sd(), of.n(), of.confidence());
            path.append(path.isEmpty() ? "M" : "L")
                    .append(ACROSS.at(percent))
                    .append(' ')
                    .append(UP.at(power));
            if (power <= 0.55) {
                labelX = ACROSS.at(percent);
                labelY = UP.at(power);
            }
        }
        return new Curve(of.n(), path.toString(), labelX, labelY, of.chosen());
    }

    private static List<Scale.Tick> shares() {
        List<Scale.Tick> ticks = new ArrayList<>();
        for (int percent = 0; percent <= 100; percent += 20) {
            ticks.add(new Scale.Tick(UP.at(percent / 100.0), percent + " %"));
        }
        return ticks;
    }

    private static @Nullable Mark usual(Requirement requirement, History.Scatter scatter, double edge) {
        double percent = 100 * (requirement.lower().isPresent() ? scatter.mean() - edge : edge - scatter.mean()) / edge;
        return percent >= 0 && percent <= MOST_PERCENT
                ? new Mark(ACROSS.at(percent), "lots so far: " + Figures.decimals(percent, 1) + " %")
                : null;
    }

    private static List<String> lines(Claim claim, History.Scatter scatter, int n, double percent, double edge) {
        double sd = scatter.within();
        double confidence = claim.requirement().confidence();
        double margin = percent / 100 * edge;
        String unit = claim.property().unit();
        List<String> lines = new ArrayList<>();
        lines.add("Scatter within lots " + Figures.significant(sd, 2) + " " + unit + ", pooled over " + scatter.lots()
                + " lots.");
        double power = power(margin, room(claim.requirement()), sd, n, confidence);
        lines.add(
                n == 1
                        ? "One specimen has no scatter of its own: it supports nothing, however strong."
                        : "A lot really " + Figures.plain(percent, 3) + " % inside the claim ("
                                + Figures.significant(margin, 2)
                                + " " + unit + ") is supported by " + n + " specimens with a probability of "
                                + Figures.probability(power) + ".");
        if (claim.requirement().guard() == GuardBand.NONE) {
            lines.add("This site accepts as measured; these are the probabilities by 95 % bounds, which ask for more.");
        }
        lines.add("For 80 % it takes " + needed(margin, sd, 0.8, confidence) + ", for 90 % "
                + needed(margin, sd, 0.9, confidence) + ".");
        if (n < claim.requirement().minimumN()) {
            lines.add("The claim asks for " + claim.requirement().minimumN()
                    + " specimens at least: with fewer it stays open.");
        }
        OptionalDouble between = scatter.between();
        if (between.isPresent() && between.getAsDouble() > 0) {
            double shift = SHIFT_FOUND * between.getAsDouble();
            lines.add("The chart finds a shift of " + Figures.significant(shift, 2) + " " + unit + " within "
                    + Figures.plain(LOTS, 2) + " lots, on average.");
        }
        lines.add("The gauge's calibration uncertainty is not in this; no number of specimens makes it smaller.");
        return lines;
    }

    private static String needed(double margin, double sd, double power, double confidence) {
        OptionalInt n = margin > 0 ? Power.specimens(margin, sd, power, confidence) : OptionalInt.empty();
        return n.isPresent() ? String.format(Locale.ROOT, "%d specimens", n.getAsInt()) : "more than " + Power.MOST;
    }
}
