package org.ysometron.app.store;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Setup;

/** A set-up is stored as the key of its factors. */
@Converter(autoApply = true)
class SetupColumn implements AttributeConverter<Setup, String> {

    @Override
    public @Nullable String convertToDatabaseColumn(@Nullable Setup setup) {
        return setup == null ? null : setup.key();
    }

    @Override
    public Setup convertToEntityAttribute(@Nullable String key) {
        return key == null ? Setup.NONE : Setup.ofKey(key);
    }
}
