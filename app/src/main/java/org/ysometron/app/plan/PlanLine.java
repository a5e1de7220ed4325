package org.ysometron.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.plan.PlannedTest;
import org.ysometron.core.plan.PlannedTest.Notch;

/** A line of a product's plan, or of a lot's copy; none at all ({@code n} = 0) for a line that a lot leaves out. */
@Entity
@Table(name = "plan_line")
class PlanLine {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Nullable
    Long revisionId;

    @Nullable
    Long lotId;

    int place;

    /** Id of a method of the catalogue. */
    String method;

    SpecimenDesign design;

    @Enumerated(EnumType.STRING)
    Orientation orientation;

    @Enumerated(EnumType.STRING)
    Notch notch;

    @Enumerated(EnumType.STRING)
    Basis basis;

    Build built;

    @Enumerated(EnumType.STRING)
    Conditioning conditioning;

    double rate;
    int n;
    String process;
    String expected;
    String deviation;

    PlanLine() {}

    PlanLine(int place, Plans.Line line) {
        PlannedTest test = line.test();
        this.place = place;
        this.method = test.method().data().id();
        this.design = test.design();
        this.orientation = test.orientation();
        this.notch = test.notch();
        this.basis = test.basis();
        this.built = test.build();
        this.conditioning = test.conditioning();
        this.rate = test.rate();
        this.n = line.leftOut() ? 0 : test.n();
        this.process = test.process();
        this.expected = line.expected();
        this.deviation = line.deviation();
    }

    /** The line; empty for one of a method that is no longer in the catalogue. */
    Optional<Plans.Line> view() {
        return Methods.of(method).map(this::view);
    }

    private Plans.Line view(Method known) {
        PlannedTest test = new PlannedTest(
                known, design, orientation, notch, basis, built, conditioning, rate, Math.max(1, n), process);
        return new Plans.Line(test, expected, n == 0, deviation);
    }
}
