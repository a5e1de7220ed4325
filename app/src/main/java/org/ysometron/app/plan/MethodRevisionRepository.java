package org.ysometron.app.plan;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.ysometron.core.method.TestMethod;

interface MethodRevisionRepository extends JpaRepository<MethodRevision, Long> {

    List<MethodRevision> findByMethodOrderByRevisionDesc(TestMethod method);
}
