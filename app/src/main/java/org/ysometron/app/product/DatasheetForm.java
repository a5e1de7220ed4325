package org.ysometron.app.product;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.web.Problems;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.claim.Property;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.quantity.Dimension;
import org.ysometron.core.quantity.Typed;
import org.ysometron.core.quantity.UnitOfMeasure;

/** The claims of a datasheet revision as somebody typed them; an empty field claims nothing. */
record DatasheetForm(
        @Nullable String flat,
        @Nullable String upright,
        @Nullable String ratio,
        @Nullable String section,
        @Nullable String tolerance,
        @Nullable String minimumN,
        @Nullable Conditioning conditioning,
        @Nullable String rate) {

    static DatasheetForm blank() {
        return new DatasheetForm("", "", "", "4 mm", "0.1 mm", "5", Conditioning.DRY, "5 mm/min");
    }

    List<Claim.Draft> drafts(Problems problems) {
        int n = minimum(problems);
        double speed = read("rate", "Rate", rate, Dimension.SPEED, problems).orElse(0);
        if (speed == 0) {
            problems.add("rate", "Rate is missing: a strength without its rate cannot be tested.");
        }
        SpecimenDesign design = SpecimenDesign.TENSION_BAR_4;
        Conditioning state = conditioning == null ? Conditioning.DRY : conditioning;
        List<Claim.Draft> drafts = new ArrayList<>();
        for (Orientation orientation : List.of(Orientation.XY, Orientation.ZX)) {
            Conditions terms = new Conditions("tension", Basis.SOLID, orientation, state, speed, design.title());
            String field = orientation == Orientation.XY ? "flat" : "upright";
            String typed = orientation == Orientation.XY ? flat : upright;
            OptionalDouble edge = read(field, "Strength " + orientation.words(), typed, Dimension.STRESS, problems);
            if (edge.isPresent()) {
                drafts.add(new Claim.Draft(
                        Property.TENSILE_STRENGTH, "at least " + typed, edge, OptionalDouble.empty(), n, terms));
            }
        }
        Conditions upward = new Conditions("tension", Basis.SOLID, Orientation.ZX, state, speed, design.title());
        OptionalDouble least = read("ratio", "Ratio", ratio, Dimension.RATIO, problems);
        if (least.isPresent()) {
            drafts.add(new Claim.Draft(
                    Property.UPRIGHT_FLAT_RATIO, "at least " + ratio, least, OptionalDouble.empty(), n, upward));
        }
        addSection(problems, n, upward, drafts);
        if (drafts.isEmpty() && problems.none()) {
            problems.add("", "Nothing is claimed: fill in at least one value.");
        }
        return drafts;
    }

    private void addSection(Problems problems, int n, Conditions upward, List<Claim.Draft> drafts) {
        OptionalDouble nominal = read("section", "Section", section, Dimension.LENGTH, problems);
        OptionalDouble plus = read("tolerance", "Tolerance", tolerance, Dimension.LENGTH, problems);
        if (nominal.isEmpty()) {
            return;
        }
        if (plus.isEmpty() || plus.getAsDouble() >= nominal.getAsDouble()) {
            problems.add("tolerance", "The tolerance must be given and smaller than the section.");
            return;
        }
        OptionalDouble lower = OptionalDouble.of(nominal.getAsDouble() - plus.getAsDouble());
        OptionalDouble upper = OptionalDouble.of(nominal.getAsDouble() + plus.getAsDouble());
        for (Orientation orientation : List.of(Orientation.XY, Orientation.ZX)) {
            Conditions terms = new Conditions(
                    upward.method(),
                    upward.basis(),
                    orientation,
                    upward.conditioning(),
                    upward.rate(),
                    upward.design());
            for (Property side : List.of(Property.SECTION_WIDTH, Property.SECTION_THICKNESS)) {
                drafts.add(new Claim.Draft(side, section + " ± " + tolerance, lower, upper, n, terms));
            }
        }
    }

    private int minimum(Problems problems) {
        try {
            int n = Integer.parseInt(String.valueOf(minimumN).strip());
            if (n >= 2 && n <= 100) {
                return n;
            }
        } catch (NumberFormatException notWhole) {
            // said below
        }
        problems.add("minimumN", "The smallest number of specimens is a whole number from 2 to 100.");
        return 2;
    }

    private static OptionalDouble read(
            String field, String name, @Nullable String typed, Dimension dimension, Problems problems) {
        if (typed == null || typed.isBlank()) {
            return OptionalDouble.empty();
        }
        Typed read = Typed.read(name, typed, UnitOfMeasure.working(dimension));
        if (read instanceof Typed.Accepted accepted) {
            return OptionalDouble.of(accepted.value());
        }
        problems.add(field, ((Typed.Refused) read).problem().beside());
        return OptionalDouble.empty();
    }
}
