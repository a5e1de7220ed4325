package org.ysometron.app.evidence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;
import org.ysometron.core.claim.Verdict;

@Entity
@Table(name = "evidence_judgement")
class StoredJudgement {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long lotId;
    Long claimId;

    @Enumerated(EnumType.STRING)
    Verdict verdict;

    String reason;
    int n;

    @Column(name = "more")
    @Nullable
    Integer more;
}
