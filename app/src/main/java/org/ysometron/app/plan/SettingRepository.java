package org.ysometron.app.plan;

import org.springframework.data.jpa.repository.JpaRepository;

interface SettingRepository extends JpaRepository<SettingRow, Setting> {}
