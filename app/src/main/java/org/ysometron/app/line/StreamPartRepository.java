package org.ysometron.app.line;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface StreamPartRepository extends JpaRepository<StreamPart, Long> {

    List<StreamPart> findByStreamIdOrderByFirstSeq(long streamId);

    List<StreamPart> findByStreamIdAndFirstSeqGreaterThanOrderByFirstSeq(long streamId, long firstSeq);
}
