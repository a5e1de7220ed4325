package org.ysometron.app.design;

import org.jspecify.annotations.Nullable;
import org.springframework.core.convert.converter.Converter;
import org.springframework.stereotype.Component;
import org.ysometron.core.dimension.SpecimenDesign;
import org.ysometron.core.method.Designs;

/** Reads the name of a design that a form sent. */
@Component
class DesignWords implements Converter<String, SpecimenDesign> {

    /** Null for nothing chosen, as Spring's converters may answer though their signature does not say it. */
    @Override
    @SuppressWarnings("NullAway")
    public @Nullable SpecimenDesign convert(String name) {
        return name.isBlank()
                ? null
                : Designs.named(name)
                        .orElseThrow(() -> new IllegalArgumentException("no specimen design is named '" + name + "'"));
    }
}
