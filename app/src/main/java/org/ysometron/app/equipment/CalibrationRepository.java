package org.ysometron.app.equipment;

import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface CalibrationRepository extends JpaRepository<CalibrationRow, Long> {

    /** A capacity that a calibration verified. */
    record Verified(long instrumentId, double capacity, LocalDate doneOn) {}

    /** A calibration without its certificate's file, which may be large. */
    @Query(
            "select new org.ysometron.app.equipment.CalibrationRow(c.id, c.instrumentId, c.doneOn, c.dueOn, c.certificate,"
                    + " c.verifiedCapacity, c.fileName, c.enteredBy) from CalibrationRow c order by c.instrumentId, c.dueOn desc")
    List<CalibrationRow> allWithoutFiles();

    @Query(
            "select new org.ysometron.app.equipment.CalibrationRepository$Verified(c.instrumentId, c.verifiedCapacity, c.doneOn)"
                    + " from CalibrationRow c where c.verifiedCapacity is not null order by c.doneOn desc, c.id desc")
    List<Verified> verified();
}
