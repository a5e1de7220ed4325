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
import org.ysometron.core.claim.Judgement;
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

    /** Takes over what a claim was judged to be. */
    StoredJudgement of(long lot, Judgements.Detail detail) {
        Judgement judgement = detail.judgement();
        lotId = lot;
        claimId = detail.claim().id();
        verdict = judgement.verdict();
        String words = judgement.reason();
        reason = words.length() > 2000 ? words.substring(0, 1999) + "…" : words;
        n = judgement.n();
        more = judgement.moreSpecimens().isPresent() ? judgement.moreSpecimens().getAsInt() : null;
        return this;
    }
}
