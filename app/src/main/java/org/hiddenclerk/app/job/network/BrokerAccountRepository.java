package org.hiddenclerk.app.job.network;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface BrokerAccountRepository extends JpaRepository<BrokerAccountRow, UUID> {
    List<BrokerAccountRow> findByJobIdOrderByMadeAt(UUID jobId);

    Optional<BrokerAccountRow> findByUserName(String userName);
}
