package org.hiddenclerk.app.accounts;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface AccountRepository extends JpaRepository<AccountRow, UUID> {
    Optional<AccountRow> findByName(String name);
}
