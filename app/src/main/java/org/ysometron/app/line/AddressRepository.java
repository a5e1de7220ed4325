package org.ysometron.app.line;

import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;

interface AddressRepository extends JpaRepository<AddressRow, Long> {

    List<AddressRow> findAllByOrderById();

    Optional<AddressRow> findByWayAndPlace(String way, String place);
}
