package org.ysometron.app.line;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/** Where an instrument is listened to. */
@Entity
@Table(name = "line_address")
class AddressRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    /** The driver's word. */
    String way;

    String place;

    /** The instrument that answered there first; null before any did. */
    @Nullable
    String serial;

    String addedBy;
    Instant addedAt;
}
