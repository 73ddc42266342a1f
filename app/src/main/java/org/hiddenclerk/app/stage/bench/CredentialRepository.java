package org.hiddenclerk.app.stage.bench;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface CredentialRepository extends JpaRepository<CredentialRow, UUID> {
    List<CredentialRow> findByUnitIdInOrderByKeptAt(Collection<UUID> units);

    Optional<CredentialRow> findByPrint(byte[] print);
}
