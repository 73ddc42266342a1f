package org.hiddenclerk.app.joining;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.core.catalogue.Protocol;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface JoinedDeviceRepository extends JpaRepository<JoinedDeviceRow, UUID> {
    List<JoinedDeviceRow> findByJobIdOrderByCameInAt(UUID job);

    /** Box, module code and version of everything that is known for what it is. */
    @Query("select u.boxId, u.moduleCode, d.firmware from JoinedDeviceRow d, BenchUnitRow u where d.unitId = u.id and d.jobId = :job and u.boxId is not null")
    List<Object[]> versions(UUID job);

    Optional<JoinedDeviceRow> findByJobIdAndProtocolAndAddress(UUID job, Protocol protocol, String address);
}
