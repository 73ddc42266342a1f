package org.hiddenclerk.app.stage.fitting;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface LockRepository extends JpaRepository<LockRow, UUID> {
    List<LockRow> findByCircuitIdInAndTakenOffAtIsNullOrderByPutOnAt(Collection<UUID> circuits);

    List<LockRow> findByBoxIdAndPersonAndTakenOffAtIsNull(UUID box, String person);
}
