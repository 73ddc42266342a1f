package org.hiddenclerk.app.stage.firmware;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ReleaseRepository extends JpaRepository<ReleaseRow, UUID> {
    List<ReleaseRow> findAllByOrderByKindAscKeptAtDesc();

    /** Kind, version, sum, features and notes. */
    @Query("select r.kind, r.version, r.sha256, r.features, r.notes from ReleaseRow r order by r.kind, r.keptAt")
    List<Object[]> withoutFiles();

    Optional<ReleaseRow> findByKindAndVersion(String kind, String version);
}
