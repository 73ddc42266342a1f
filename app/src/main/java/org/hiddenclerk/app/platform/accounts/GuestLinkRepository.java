package org.hiddenclerk.app.platform.accounts;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface GuestLinkRepository extends JpaRepository<GuestLinkRow, UUID> {
    Optional<GuestLinkRow> findByHash(String hash);

    List<GuestLinkRow> findByJobIdOrderByCreatedAt(UUID jobId);
}
