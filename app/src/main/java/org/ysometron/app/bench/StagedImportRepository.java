package org.ysometron.app.bench;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface StagedImportRepository extends JpaRepository<StagedImport, Long> {

    List<StagedImport> findByLotIdAndSha256(long lotId, String sha256);
}
