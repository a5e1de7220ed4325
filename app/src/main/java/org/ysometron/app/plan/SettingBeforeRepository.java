package org.ysometron.app.plan;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;

interface SettingBeforeRepository extends JpaRepository<SettingBefore, Long> {

    List<SettingBefore> findByName(Setting name);
}
