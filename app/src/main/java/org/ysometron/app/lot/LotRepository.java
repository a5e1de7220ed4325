package org.ysometron.app.lot;

import jakarta.persistence.LockModeType;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Page;
import org.springframework.data.domain.Pageable;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface LotRepository extends JpaRepository<Lot, Long> {

    Optional<Lot> findByCode(String code);

    long countByProductIdAndIdLessThanEqual(long productId, long id);

    boolean existsByCodeIgnoreCase(String code);

    List<Lot> findByCodeIgnoreCase(String code);

    List<Lot> findByProductIdOrderByIdDesc(long productId, Pageable page);

    List<Lot> findByProductIdAndStateIn(long productId, Collection<LotState> states);

    Page<Lot> findByStateIn(Collection<LotState> states, Pageable page);

    @Query(
            "select lot.formulation from Lot lot where lot.formulation <> '' group by lot.formulation order by max(lot.id) desc")
    List<String> formulations(Pageable page);

    @Query(
            "select lot.masterbatch from Lot lot where lot.masterbatch <> '' group by lot.masterbatch order by max(lot.id) desc")
    List<String> masterbatches(Pageable page);

    /** A lot and the one before it. */
    interface Pair {

        Long getLotId();

        Long getBeforeId();
    }

    @Query(
            value =
                    "select l.id as lotId, (select b.id from lot b where b.product_id = l.product_id and b.colour = l.colour"
                            + " and b.state in ('RELEASED', 'CONCEDED', 'BROUGHT_IN') and b.made_on <= l.made_on and (b.made_on < l.made_on or b.id < l.id)"
                            + " order by b.made_on desc, b.id desc limit 1) as beforeId from lot l where l.id in (:ids)"
                            + " having beforeId is not null",
            nativeQuery = true)
    List<Pair> shippedBefore(Collection<Long> ids);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select lot from Lot lot where lot.id = :id")
    Optional<Lot> lock(long id);

    /** Locks the lot and says that something of it changes. What was read before is forgotten: it may be old. */
    @Modifying(flushAutomatically = true, clearAutomatically = true)
    @Query(value = "update lot set revision = revision + 1 where id = :id", nativeQuery = true)
    int raise(long id);
}
