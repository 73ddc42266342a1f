package org.hiddenclerk.app.stage.handover;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface HandoverEntryRepository extends JpaRepository<HandoverEntryRow, UUID> {
    List<HandoverEntryRow> findByJobIdOrderByMadeAt(UUID jobId);

    boolean existsByJobId(UUID jobId);

    boolean existsBySentKey(String sentKey);
}
