package org.hiddenclerk.app.firmware;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ReleaseRepository extends JpaRepository<ReleaseRow, UUID> {
    List<ReleaseRow> findAllByOrderByKindAscKeptAtDesc();

    Optional<ReleaseRow> findByKindAndVersion(String kind, String version);
}
