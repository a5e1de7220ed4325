package org.ysometron.app.design;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;

/** A design is stored by its name. */
@Converter(autoApply = true)
class DesignColumn implements AttributeConverter<SpecimenDesign, String> {

    @Override
    public @Nullable String convertToDatabaseColumn(@Nullable SpecimenDesign design) {
        return design == null ? null : design.name();
    }

    @Override
    public @Nullable SpecimenDesign convertToEntityAttribute(@Nullable String name) {
        return name == null ? null : Designs.named(name).orElseGet(() -> unknown(name));
    }

    /** A row whose design is gone from a restored site says so, and takes no list down. */
    private static SpecimenDesign unknown(String name) {
        return new SpecimenDesign(
                name,
                "unknown design " + name + ", rev 0",
                SpecimenDesign.Shape.RECTANGLE,
                1,
                1,
                1,
                1,
                false,
                SpecimenDesign.SAMPLE_PIECE.outline(),
                Optional.of(new SpecimenDesign.Own(Set.of("none"), Optional.empty(), "unknown")));
    }
}
