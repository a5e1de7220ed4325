package org.ysometron.app.store;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.characteristic.Characteristic;
import org.ysometron.core.method.Characteristics;

/** A characteristic is stored as its id; one that no method gives any longer is still read. */
@Converter(autoApply = true)
class CharacteristicColumn implements AttributeConverter<Characteristic, String> {

    @Override
    public @Nullable String convertToDatabaseColumn(@Nullable Characteristic characteristic) {
        return characteristic == null ? null : characteristic.id();
    }

    @Override
    public @Nullable Characteristic convertToEntityAttribute(@Nullable String id) {
        return id == null ? null : Characteristics.ofStored(id);
    }
}
