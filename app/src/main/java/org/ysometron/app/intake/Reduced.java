package org.ysometron.app.intake;

import java.util.List;
import org.ysometron.core.dimension.Artefact;
import org.ysometron.core.material.Drying;
import org.ysometron.core.material.WorkingCurve;
import org.ysometron.core.working.Working;

/** What a record's entries were reduced to by the core. */
sealed interface Reduced {

    /** Lines for people. */
    List<Fact> facts();

    /** How they were arrived at; empty for what is only read. */
    default Working working() {
        return Working.NONE;
    }

    /**
     * A figure with its name.
     *
     * @param loud whether it needs somebody
     */
    record Fact(String name, String value, boolean loud) {

        static Fact of(String name, String value) {
            return new Fact(name, value, false);
        }
    }

    /** Diameters by hand, in mm: the mean of the two at each place, and what they differ by where there are two. */
    record Diameters(double[] diameters, double[] ovalities, List<Fact> facts, Working working) implements Reduced {}

    /** How the material was dried. */
    record Dried(Drying.Dried record, List<Fact> facts) implements Reduced {}

    /** The resin's figures; empty where nobody measured. */
    record Resin(
            java.util.OptionalDouble density, java.util.OptionalDouble viscosity, String viscosityAt, List<Fact> facts)
            implements Reduced {}

    /** A working curve with the points it rests on. */
    record Curve(
            WorkingCurve fit,
            double[] exposures,
            double[] depths,
            String unit,
            java.util.OptionalDouble recipe,
            double layer,
            double overcure,
            String source,
            List<Fact> facts)
            implements Reduced {

        @Override
        public Working working() {
            return fit.working();
        }
    }

    /** An artefact taken apart. */
    record Sizes(Artefact.Result result, String printer, List<Fact> facts, Working working) implements Reduced {}

    /** A fit check. */
    record Fitted(boolean passes, String feature, List<Fact> facts) implements Reduced {}

    /** Settings in use. */
    record Settings(List<Fact> facts) implements Reduced {}
}
