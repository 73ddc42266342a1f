package org.hiddenclerk.app.stage.joining;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JoinRunRepository extends JpaRepository<JoinRunRow, UUID> {
    List<JoinRunRow> findByJobIdOrderByBegunAt(UUID job);
}
