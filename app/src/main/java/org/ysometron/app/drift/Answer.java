package org.ysometron.app.drift;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "drift_answer")
class Answer {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long seriesId;
    Long lotId;
    String words;

    /** Identities of the signals that it answers, joined by blanks; empty for one given before there were any. */
    String identities = "";

    String answer;
    String answeredBy;
    Instant answeredAt;
}
