package org.ysometron.app.lot;

import org.springframework.data.jpa.repository.JpaRepository;

interface SpecimenSetRepository extends JpaRepository<SpecimenSet, Long> {

    boolean existsByLotIdAndRequest(long lotId, String request);

    java.util.List<SpecimenSet> findByLotIdAndInPlaceOfIsNotNull(long lotId);

    java.util.List<SpecimenSet> findByLotIdAndFurtherOfIsNotNullOrderById(long lotId);
}
