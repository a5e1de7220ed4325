package org.ysometron.app.curve;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface UploadedFileRepository extends JpaRepository<UploadedFile, Long> {

    List<UploadedFile> findByUploadIdOrderById(long uploadId);

    /** Says of files that their records were taken in. */
    @Modifying
    @Query(value = "update curve_file set taken = true where id in :ids", nativeQuery = true)
    void taken(List<Long> ids);

    /** A file that was taken in before, and the lot of its records. */
    record Known(String sha256, long lotId) {}

    @Query("""
            select distinct new org.ysometron.app.curve.UploadedFileRepository$Known(f.sha256, u.lotId)
            from UploadedFile f, Upload u where u.id = f.uploadId and f.taken = true and f.sha256 in :sums
            """)
    List<Known> known(Collection<String> sums);
}
