package org.ysometron.app.curve;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.OptionalInt;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.JdbcTypeCode;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.curve.Rules;

/** By which rules points were found on a record; never changed. Which one counts is said by the readings that name it. */
@Entity
@Immutable
@Table(name = "curve_analysis")
class AnalysisRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long recordId;
    double strainFrom;
    double strainTo;

    @Enumerated(EnumType.STRING)
    Rules.Yield yieldRule;

    @Nullable
    Integer breakAt;

    /** Why bounds were moved; empty for the usual rules. */
    String reason;

    /** The curve up to its break, thinned: way from the found zero and load, in pairs. */
    @JdbcTypeCode(java.sql.Types.LONGVARCHAR)
    String drawn;

    String madeBy;
    Instant madeAt;

    Rules rules() {
        return new Rules(
                strainFrom, strainTo, yieldRule, breakAt == null ? OptionalInt.empty() : OptionalInt.of(breakAt));
    }

    void rules(Rules rules) {
        strainFrom = rules.from();
        strainTo = rules.to();
        yieldRule = rules.yield();
        breakAt = rules.breakAt().isPresent() ? rules.breakAt().getAsInt() : null;
    }
}
