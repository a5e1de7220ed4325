package org.ysometron.app.make;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDateTime;

@Entity
@Table(name = "make_mark")
class Mark {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long specimenId;

    @Enumerated(EnumType.STRING)
    Marks.Kind kind;

    String words;
    LocalDateTime markedAt;
    String enteredBy;
}
