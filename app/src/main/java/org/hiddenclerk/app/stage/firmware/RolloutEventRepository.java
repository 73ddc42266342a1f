package org.hiddenclerk.app.stage.firmware;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RolloutEventRepository extends JpaRepository<RolloutEventRow, RolloutEventRow.Place> {
    List<RolloutEventRow> findByPlaceRolloutIdOrderByPlaceNumber(UUID rollout);
}
