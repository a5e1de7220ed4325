package org.ysometron.app.product;

import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ShelfRepository extends JpaRepository<Shelf, Long> {

    List<Shelf> findByProductIdInOrderById(Collection<Long> productIds);
}
