package org.hiddenclerk.app.platform.accounts;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Role;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;

interface AccountRepository extends JpaRepository<AccountRow, UUID> {
    Optional<AccountRow> findByName(String name);

    /** For a change that depends on what stands there: two tries with one code are not both taken. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<AccountRow> findLockedByName(String name);

    List<AccountRow> findByRole(Role role);
}
