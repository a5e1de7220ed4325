package org.ysometron.app.equipment;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import org.ysometron.core.method.CheckStandard;

@Entity
@Table(name = "equipment_check_standard")
class CheckStandardRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long instrumentId;
    String name;
    double nominal;
    double tolerance;
    String unit;

    CheckStandard resolve() {
        return new CheckStandard(nominal, tolerance, unit);
    }
}
