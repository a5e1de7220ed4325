package org.ysometron.app.product;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface ListedPriceRepository extends JpaRepository<ListedPrice, Long> {

    List<ListedPrice> findByProductIdOrderByPricedOnDescIdDesc(long productId);
}
