package org.hiddenclerk.app.stage.joining;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface JoinWindowRepository extends JpaRepository<JoinWindowRow, JoinWindowRow.Of> {
    List<JoinWindowRow> findByOfJobId(UUID job);
}
