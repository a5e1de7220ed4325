package org.ysometron.app.bench;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ReadingRepository extends JpaRepository<Reading, Long> {

    @Query("select r from Reading r where r.lotId in :lots order by r.id")
    List<Reading> ofLots(Collection<Long> lots);

    @Query("select r from Reading r where r.specimenId = :specimen order by r.id")
    List<Reading> of(long specimen);

    @Query("select distinct r.enteredBy from Reading r where r.lotId = :lot")
    List<String> enterers(long lot);

    @Query(
            "select r from Reading r where r.specimenId = :specimen and r.field = :field and r.place = :place and r.live = 1")
    java.util.Optional<Reading> live(long specimen, String field, int place);

    /** The last that an instrument showed of this field, whatever became of it. */
    java.util.Optional<Reading> findFirstByInstrumentIdAndFieldOrderByIdDesc(long instrumentId, String field);

    @Query("select r from Reading r where r.specimenId = :specimen and r.live = 1")
    List<Reading> liveOf(long specimen);

    @Query("select r from Reading r where r.lotId = :lot and r.live = 1")
    List<Reading> liveOfLot(long lot);

    /** Mean of the readings of a field of a specimen that count. */
    record Size(long lotId, long specimenId, String field, double mean) {}

    @Query("""
            select new org.ysometron.app.bench.ReadingRepository$Size(r.lotId, r.specimenId, r.field, avg(r.value))
            from Reading r where r.live = 1 and r.lotId in :lots and r.field in :fields
            group by r.lotId, r.specimenId, r.field
            """)
    List<Size> sizes(Collection<Long> lots, Collection<String> fields);

    /** How a specimen's test ended. */
    record Ended(long specimenId, org.ysometron.core.method.End outcome) {}

    @Query("""
            select new org.ysometron.app.bench.ReadingRepository$Ended(r.specimenId, r.outcome) from Reading r
            where r.live = 1 and r.lotId in :lots and r.outcome is not null
            """)
    List<Ended> ended(Collection<Long> lots);

    /** Where a specimen has a reading that counts. */
    record Place(long specimenId, String field, int place) {}

    @Query("select new org.ysometron.app.bench.ReadingRepository$Place(r.specimenId, r.field, r.place) from Reading r"
            + " where r.live = 1 and r.lotId = :lot")
    java.util.Set<Place> taken(long lot);

    boolean existsByImportId(long importId);

    /** By which instrument and when the readings that count were taken. */
    record Use(long lotId, long instrumentId, java.time.Instant at) {}

    @Query("""
            select new org.ysometron.app.bench.ReadingRepository$Use(r.lotId, r.instrumentId, r.enteredAt)
            from Reading r where r.live is not null and r.lotId in :lots
            """)
    List<Use> uses(Collection<Long> lots);

    @Query("""
            select distinct new org.ysometron.app.bench.Bench$Hand(r.lotId, r.enteredBy, r.instrumentId)
            from Reading r where r.live = 1 and r.instrumentId is not null and r.lotId in :lots
            """)
    List<Bench.Hand> hands(Collection<Long> lots);

    @Query("""
            select new org.ysometron.app.bench.Bench$HowEnded(r.lotId, r.specimenId, r.outcome)
            from Reading r where r.live = 1 and r.outcome is not null and r.lotId in :lots order by r.id
            """)
    List<Bench.HowEnded> howEnded(Collection<Long> lots);

    /** When a result became known. */
    record Known(long id, java.time.Instant at) {}

    @Query("""
            select new org.ysometron.app.bench.ReadingRepository$Known(r.specimenId, min(r.enteredAt)) from Reading r
            where r.specimenId in :specimens and r.outcome is not null group by r.specimenId
            """)
    List<Known> knownOf(Collection<Long> specimens);
}
