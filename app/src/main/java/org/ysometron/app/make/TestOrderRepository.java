package org.ysometron.app.make;

import org.springframework.data.jpa.repository.JpaRepository;

interface TestOrderRepository extends JpaRepository<TestOrder, Long> {}
