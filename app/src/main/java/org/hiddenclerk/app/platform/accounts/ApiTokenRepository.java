package org.hiddenclerk.app.platform.accounts;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface ApiTokenRepository extends JpaRepository<ApiTokenRow, UUID> {
    Optional<ApiTokenRow> findByHash(String hash);

    List<ApiTokenRow> findByAccountIdOrderByCreatedAt(UUID accountId);
}
