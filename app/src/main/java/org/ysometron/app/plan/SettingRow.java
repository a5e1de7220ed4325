package org.ysometron.app.plan;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

@Entity
@Table(name = "plan_setting")
class SettingRow {

    @Id
    @Enumerated(EnumType.STRING)
    Setting name;

    String typed;
    String changedBy;
    Instant changedAt;
}
