package org.ysometron.core.publication;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Build;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.quantity.Dimension;

/** What holds for every statement, whatever it says. */
class PublicationPropertiesTest {

    @Provide
    Arbitrary<Statement> strengths() {
        Arbitrary<Optional<Orientation>> orientations =
                Arbitraries.of(Optional.empty(), Optional.of(Orientation.XY), Optional.of(Orientation.ZX));
        Arbitrary<Optional<Conditioning>> states =
                Arbitraries.of(Optional.empty(), Optional.of(Conditioning.DRY), Optional.of(Conditioning.CONDITIONED));
        Arbitrary<Optional<Basis>> bases =
                Arbitraries.of(Optional.empty(), Optional.of(Basis.SOLID), Optional.of(Basis.AS_PRINTED));
        Arbitrary<OptionalDouble> edges = Arbitraries.of(OptionalDouble.of(40), OptionalDouble.of(50));
        return Combinators.combine(orientations, states, bases, edges)
                .as((orientation, state, basis, edge) -> new Statement(
                        0,
                        Topic.named("TENSILE_STRENGTH").orElseThrow(),
                        Form.AT_LEAST,
                        "as typed",
                        OptionalDouble.empty(),
                        edge,
                        OptionalDouble.empty(),
                        "",
                        "",
                        new Terms(
                                Optional.of("tension"),
                                basis,
                                orientation,
                                state,
                                OptionalDouble.of(5),
                                Optional.of("bar"),
                                "",
                                Build.NONE),
                        5));
    }

    @Property(tries = 300)
    void aConflictIsOneFromBothSides(@ForAll("strengths") Statement one, @ForAll("strengths") Statement other) {
        assertThat(Conflict.between(one, other)).isEqualTo(Conflict.between(other, one));
        assertThat(Conflict.between(one, one)).isEmpty();
    }

    /** Whatever is in conflict speaks of the same thing in two places; whatever is not, differs in nothing. */
    @Property(tries = 300)
    void conflictsAreAmongLikesOnly(@ForAll("strengths") Statement label, @ForAll("strengths") Statement web) {
        List<Conflict> found = Conflict.among(List.of(
                new Publication(Publication.Kind.LABEL, 1, List.of(label)),
                new Publication(Publication.Kind.WEB_PAGE, 1, List.of(web))));

        // A strength without its orientation may be read as either, so that it speaks of the same (M17).
        boolean bare = label.lacksOrientation() != web.lacksOrientation() && label.topic() == web.topic();
        boolean same = label.key().equals(web.key()) || bare;
        assertThat(found.isEmpty())
                .isEqualTo(!same || Conflict.between(label, web).isEmpty());
        assertThat(Conflict.among(List.of(new Publication(Publication.Kind.LABEL, 1, List.of(label, web)))))
                .as("one place said twice")
                .isEmpty();
    }

    /** Stating the last missing term makes a strength testable, and only that; a part as printed lacks walls and infill. */
    @Property(tries = 200)
    void aStrengthIsTestableWhenItsTermsAreComplete(@ForAll("strengths") Statement statement) {
        Terms terms = statement.terms();
        boolean complete = terms.basis().filter(Basis.SOLID::equals).isPresent()
                && terms.orientation().isPresent()
                && terms.conditioning().isPresent();

        assertThat(Completeness.untestableFor(statement).isEmpty()).isEqualTo(complete);
        assertThat(terms.conditions().isPresent()).isEqualTo(complete);
        assertThat(Completeness.proposal(statement)).contains("mm/min", "mean of at least 5 specimens");
    }

    @Property(tries = 300)
    void whatIsPrintedIsReadAsItIsMeant(
            @ForAll @DoubleRange(min = 0.1, max = 900) double value,
            @ForAll @DoubleRange(min = 0.01, max = 0.9) double share) {
        String centre = String.format(Locale.ROOT, "%.3f", value);
        double read = Double.parseDouble(centre);
        String reach = String.format(Locale.ROOT, "%.4f", read * share);
        double width = Double.parseDouble(reach);
        if (width == 0) {
            return;
        }
        PublishedValue around = accepted(centre + " ± " + reach + " MPa", Dimension.STRESS);
        PublishedValue comma = accepted((centre + " MPa ± " + reach + " MPa").replace('.', ','), Dimension.STRESS);
        PublishedValue range =
                accepted(centre + "–" + String.format(Locale.ROOT, "%.4f", read + width) + " MPa", Dimension.STRESS);

        assertThat(around.value().getAsDouble()).isCloseTo(read, within(1e-9));
        assertThat(around.low().getAsDouble()).isCloseTo(read - width, within(1e-9));
        assertThat(comma).isEqualTo(around);
        assertThat(range.low().getAsDouble()).isCloseTo(read, within(1e-9));
        assertThat(range.high().getAsDouble()).isCloseTo(read + width, within(1e-3));
        assertThat(range.value()).isEmpty();
    }

    private static PublishedValue accepted(String text, Dimension dimension) {
        PublishedValue.Read read = PublishedValue.read("field", text, dimension);
        assertThat(read).as(text).isInstanceOf(PublishedValue.Read.Accepted.class);
        return ((PublishedValue.Read.Accepted) read).value();
    }

    static List<Topic> topics() {
        return Topic.all();
    }

    /** Each topic of a quantity takes the example of its own dimension and refuses another's. */
    @ParameterizedTest
    @MethodSource("topics")
    void everyTopicTakesItsOwnDimension(Topic topic) {
        assertThat(topic.title()).isNotBlank();
        topic.dimension().ifPresent(dimension -> {
            String example = dimension.example().replaceAll("^.* or ", "");
            assertThat(PublishedValue.read(topic.title(), example, dimension))
                    .as(example)
                    .isInstanceOf(PublishedValue.Read.Accepted.class);
            String other = dimension == Dimension.FORCE ? "5 mm" : "5 N";
            assertThat(PublishedValue.read(topic.title(), other, dimension))
                    .isInstanceOf(PublishedValue.Read.Refused.class);
        });
        assertThat(topic.needsTerms())
                .isEqualTo(topic.property().filter(p -> p.isMechanical()).isPresent());
        boolean filament = Topic.of(Family.FILAMENT).contains(topic);
        boolean resin = Topic.of(Family.RESIN).contains(topic);
        assertThat(filament || resin).isTrue();
    }
}
