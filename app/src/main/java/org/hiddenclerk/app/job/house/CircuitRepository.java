package org.hiddenclerk.app.job.house;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface CircuitRepository extends JpaRepository<CircuitRow, UUID> {
    List<CircuitRow> findByJobId(UUID jobId);
}
