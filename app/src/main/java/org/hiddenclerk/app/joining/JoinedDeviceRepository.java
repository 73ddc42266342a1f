package org.hiddenclerk.app.joining;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.core.catalogue.Protocol;
import org.springframework.data.jpa.repository.JpaRepository;

interface JoinedDeviceRepository extends JpaRepository<JoinedDeviceRow, UUID> {
    List<JoinedDeviceRow> findByJobIdOrderByCameInAt(UUID job);

    Optional<JoinedDeviceRow> findByJobIdAndProtocolAndAddress(UUID job, Protocol protocol, String address);
}
