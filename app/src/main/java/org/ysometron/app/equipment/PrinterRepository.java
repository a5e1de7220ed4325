package org.ysometron.app.equipment;

import org.springframework.data.jpa.repository.JpaRepository;

interface PrinterRepository extends JpaRepository<PrinterRow, Long> {}
