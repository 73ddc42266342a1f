package org.hiddenclerk.app.platform.accounts;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;

interface InvitationRepository extends JpaRepository<InvitationRow, UUID> {
    Optional<InvitationRow> findByHash(String hash);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<InvitationRow> findLockedByHash(String hash);

    List<InvitationRow> findByUsedAtIsNullOrderByCreatedAt();
}
