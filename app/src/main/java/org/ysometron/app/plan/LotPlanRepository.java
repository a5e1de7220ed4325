package org.ysometron.app.plan;

import org.springframework.data.jpa.repository.JpaRepository;

interface LotPlanRepository extends JpaRepository<LotPlan, Long> {}
