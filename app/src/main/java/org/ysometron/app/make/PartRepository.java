package org.ysometron.app.make;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface PartRepository extends JpaRepository<Part, Long> {

    List<Part> findByRunIdInOrderById(Collection<Long> runIds);

    boolean existsByRequest(String request);

    /** Parts of one product's runs by lot, printer and recipe. */
    interface Count {

        Long getLotId();

        Long getPrinterId();

        Long getRecipeId();

        String getEnded();

        int getParts();
    }

    @Query(
            value = "select r.lot_id as lotId, r.printer_id as printerId, r.recipe_id as recipeId, p.ended as ended,"
                    + " cast(sum(p.parts) as signed) as parts from make_part p join make_run r on r.id = p.run_id"
                    + " join lot l on l.id = r.lot_id where l.product_id = :productId"
                    + " group by r.lot_id, r.printer_id, r.recipe_id, p.ended order by r.lot_id",
            nativeQuery = true)
    List<Count> counted(long productId);

    /** Parts of a lot that ended in one way. */
    record OfLot(long lotId, Prints.Ended ended, long parts) {}

    @Query("""
            select new org.ysometron.app.make.PartRepository$OfLot(run.lotId, p.ended, sum(p.parts))
            from Part p, PrintRun run where run.id = p.runId and run.lotId in :lots group by run.lotId, p.ended
            """)
    List<OfLot> byLot(Collection<Long> lots);
}
