package org.hiddenclerk.app.stage.day;

import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface DayPlanRepository extends JpaRepository<DayPlanRow, UUID> {}
