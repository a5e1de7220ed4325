package org.ysometron.app.demo;

import java.util.List;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import org.ysometron.app.product.Publications.Draft;
import org.ysometron.core.claim.Basis;
import org.ysometron.core.claim.Conditioning;
import org.ysometron.core.claim.Conditions;
import org.ysometron.core.claim.Form;
import org.ysometron.core.claim.Orientation;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Characteristics;
import org.ysometron.core.method.Method;
import org.ysometron.core.method.Methods;
import org.ysometron.core.publication.PublishedValue;
import org.ysometron.core.publication.Statement;
import org.ysometron.core.publication.Terms;
import org.ysometron.core.publication.Topic;
import org.ysometron.core.quantity.Dimension;

/** What the invented supplier prints: statements as they stand on label, web page and datasheet. */
final class Sheets {

    static final double RATE = 5;
    static final int SPECIMENS = 5;

    static final Topic TENSILE_STRENGTH = topic("tension-strength");
    static final Topic UPRIGHT_FLAT_RATIO = topic("upright-flat-tension-strength");
    static final Topic SECTION_WIDTH = topic("section-width");
    static final Topic SECTION_THICKNESS = topic("section-thickness");

    private Sheets() {}

    /** The topic that speaks of a characteristic. */
    static Topic topic(String characteristic) {
        return Topic.on(Characteristics.of(characteristic).orElseThrow());
    }

    /** A method of the catalogue. */
    static Method method(String id) {
        return Methods.of(id).orElseThrow();
    }

    /** A setting or a value of the material. */
    static Draft says(Topic topic, Form form, String published) {
        return statement(topic, form, published, "", Terms.NONE, 0);
    }

    /** A setting. */
    static Draft says(Topic topic, String published) {
        return says(topic, Form.STATED, published);
    }

    /** A setting that holds for one light source. */
    static Draft says(Topic topic, String published, String qualifier) {
        return statement(topic, Form.STATED, published, qualifier, Terms.NONE, 0);
    }

    /** A strength or size under all its terms. */
    static Draft claims(Topic topic, Form form, String published, Conditions terms) {
        return statement(topic, form, published, "", Terms.of(terms), SPECIMENS);
    }

    /** Terms of a solid bar, dry as printed. */
    static Conditions bar(Orientation orientation, String process) {
        return new Conditions(
                "tension",
                Basis.SOLID,
                orientation,
                Conditioning.DRY,
                RATE,
                SpecimenDesign.TENSION_BAR_4.title(),
                process);
    }

    private static Draft statement(Topic topic, Form form, String published, String qualifier, Terms terms, int least) {
        Dimension dimension = topic.dimension().orElse(null);
        PublishedValue value = dimension == null
                ? new PublishedValue(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty())
                : read(topic, form, published, dimension);
        return new Draft(
                new Statement(
                        0,
                        topic,
                        form,
                        dimension == null ? "" : published,
                        value.value(),
                        value.low(),
                        value.high(),
                        dimension == null ? published : "",
                        qualifier,
                        terms,
                        least),
                noRival());
    }

    private static PublishedValue read(Topic topic, Form form, String published, Dimension dimension) {
        PublishedValue.Read read = PublishedValue.read(topic.title(), published, dimension);
        if (read instanceof PublishedValue.Read.Accepted accepted) {
            read = accepted.value().in(form, topic.title(), published);
        }
        if (read instanceof PublishedValue.Read.Accepted accepted) {
            return accepted.value();
        }
        throw new IllegalStateException(
                ((PublishedValue.Read.Refused) read).problem().text());
    }

    private static @Nullable Long noRival() {
        return null;
    }

    /** The sections of the bars in both orientations. */
    static List<Draft> sections(Conditions flat, Conditions upright) {
        return List.of(
                claims(SECTION_WIDTH, Form.BETWEEN, "4.0 mm ± 0.1 mm", flat),
                claims(SECTION_THICKNESS, Form.BETWEEN, "4.0 mm ± 0.1 mm", flat),
                claims(SECTION_WIDTH, Form.BETWEEN, "4.0 mm ± 0.1 mm", upright),
                claims(SECTION_THICKNESS, Form.BETWEEN, "4.0 mm ± 0.1 mm", upright));
    }
}
