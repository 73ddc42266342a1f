package org.hiddenclerk.app.stage.fitting;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface RefusedEntryRepository extends JpaRepository<RefusedEntryRow, UUID> {
    List<RefusedEntryRow> findByBoxIdOrderByRefusedAtDesc(UUID box);
}
