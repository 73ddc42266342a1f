package org.hiddenclerk.app.stage.choosing;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface HouseChoiceRepository extends JpaRepository<HouseChoiceRow, UUID> {
    List<HouseChoiceRow> findByJobIdOrderByStartedAtDesc(UUID jobId);
}
