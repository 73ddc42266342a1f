package org.hiddenclerk.app.stage.firmware;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RolloutRepository extends JpaRepository<RolloutRow, UUID> {
    List<RolloutRow> findByJobIdOrderByMadeAtDesc(UUID job);

    List<RolloutRow> findByState(RolloutRow.State state);
}
