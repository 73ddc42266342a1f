package org.hiddenclerk.app.stage.handover;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface HandedOverRepository extends JpaRepository<HandedOverRow, UUID> {
    List<HandedOverRow> findByJobIdOrderByGivenAtDesc(UUID jobId);
}
