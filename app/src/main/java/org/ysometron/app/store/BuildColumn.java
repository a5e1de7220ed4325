package org.ysometron.app.store;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Build;

/** How a part as printed is built, stored as the key of its factors. */
@Converter(autoApply = true)
class BuildColumn implements AttributeConverter<Build, String> {

    @Override
    public @Nullable String convertToDatabaseColumn(@Nullable Build build) {
        return build == null ? null : build.key();
    }

    @Override
    public Build convertToEntityAttribute(@Nullable String key) {
        return key == null ? Build.NONE : Build.ofKey(key);
    }
}
