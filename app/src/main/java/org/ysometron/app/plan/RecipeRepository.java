package org.ysometron.app.plan;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface RecipeRepository extends JpaRepository<Recipe, Long> {

    List<Recipe> findByProductIdInOrderByPrinterIdAscRevisionDesc(Collection<Long> productIds);

    Optional<Recipe> findFirstByProductIdAndPrinterIdOrderByRevisionDesc(long productId, long printerId);
}
