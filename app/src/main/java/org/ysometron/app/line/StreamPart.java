package org.ysometron.app.line;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.hibernate.annotations.Immutable;

/** Some points of a stream, as they came. */
@Entity
@Immutable
@Table(name = "line_part")
class StreamPart {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long streamId;
    long firstSeq;

    /** Rows of time, load, way and, where there is one, a second value beside the load. */
    String content;
}
