package org.hiddenclerk.app.stage.bench;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface BenchUnitRepository extends JpaRepository<BenchUnitRow, UUID> {
    List<BenchUnitRow> findByJobIdOrderByTakenAt(UUID jobId);

    boolean existsByJobId(UUID jobId);

    boolean existsByBoxId(UUID boxId);

    boolean existsBySerial(String serial);

    boolean existsByAddress(String address);
}
