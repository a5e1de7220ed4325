package org.ysometron.app.make;

import org.springframework.data.jpa.repository.JpaRepository;

interface BoughtRepository extends JpaRepository<Bought, Long> {}
