package org.hiddenclerk.app.stage.ordering;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface GoodsInRepository extends JpaRepository<GoodsInRow, UUID> {
    List<GoodsInRow> findByJobIdOrderByTakenAt(UUID jobId);
}
