package org.ysometron.app.evidence;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

@Entity
@Table(name = "evidence_point")
class Point {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long seriesId;
    Long lotId;
    LocalDate madeOn;
    int n;
    double mean;

    @Nullable
    Double sd;

    int bounds;
    double takenOff;

    /** Takes over the figures of another; whether any differed. */
    boolean takeOver(Point other) {
        boolean differs = n != other.n
                || Double.compare(mean, other.mean) != 0
                || !java.util.Objects.equals(sd, other.sd)
                || bounds != other.bounds
                || Double.compare(takenOff, other.takenOff) != 0;
        n = other.n;
        mean = other.mean;
        sd = other.sd;
        bounds = other.bounds;
        takenOff = other.takenOff;
        return differs;
    }
}
