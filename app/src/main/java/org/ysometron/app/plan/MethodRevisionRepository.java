package org.ysometron.app.plan;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface MethodRevisionRepository extends JpaRepository<MethodRevision, Long> {

    List<MethodRevision> findAllByOrderByRevisionDesc();
}
