package org.hiddenclerk.app.stage.bench;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ShowingRepository extends JpaRepository<ShowingRow, UUID> {
    List<ShowingRow> findByCredentialIdOrderByShownAt(UUID credentialId);
}
