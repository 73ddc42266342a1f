package org.hiddenclerk.app.stage.fitting;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface FoundOtherwiseRepository extends JpaRepository<FoundOtherwiseRow, UUID> {
    List<FoundOtherwiseRow> findByBoxIdInAndSettledAtIsNullOrderByFoundAt(Collection<UUID> boxes);
}
