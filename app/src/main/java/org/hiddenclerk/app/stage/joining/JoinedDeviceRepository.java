package org.hiddenclerk.app.stage.joining;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.core.catalogue.Protocol;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface JoinedDeviceRepository extends JpaRepository<JoinedDeviceRow, UUID> {
    List<JoinedDeviceRow> findByJobIdOrderByCameInAt(UUID job);

    /** A network of a job. */
    record OfJob(UUID job, Protocol protocol) {}

    /** Networks that have members on record. */
    @Query(
            "select distinct new org.hiddenclerk.app.stage.joining.JoinedDeviceRepository$OfJob(d.jobId, d.protocol) from JoinedDeviceRow d")
    List<OfJob> networks();

    /** Box, module code and version of everything that is known for what it is. */
    @Query("select u.plannedModule, u.moduleCode, d.firmware from JoinedDeviceRow d, "
            + "BenchUnitRow u where d.unitId = u.id and d.jobId = :job and u.plannedModule is " + "not null")
    List<Object[]> versions(UUID job);

    Optional<JoinedDeviceRow> findByJobIdAndProtocolAndAddress(UUID job, Protocol protocol, String address);
}
