package org.ysometron.app.store;

import jakarta.persistence.AttributeConverter;
import jakarta.persistence.Converter;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.publication.Topic;

/** A topic is stored as its name; one that nothing speaks of any longer is read as wording. */
@Converter(autoApply = true)
class TopicColumn implements AttributeConverter<Topic, String> {

    @Override
    public @Nullable String convertToDatabaseColumn(@Nullable Topic topic) {
        return topic == null ? null : topic.name();
    }

    @Override
    public @Nullable Topic convertToEntityAttribute(@Nullable String name) {
        return name == null ? null : Topic.named(name).orElse(Topic.WORDING);
    }
}
