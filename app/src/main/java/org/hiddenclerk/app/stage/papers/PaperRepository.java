package org.hiddenclerk.app.stage.papers;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface PaperRepository extends JpaRepository<PaperRow, UUID> {
    List<PaperRow> findByJobIdOrderByMadeAtDesc(UUID jobId);

    /** @return 0 when it was stopped meanwhile, on whichever node */
    @Modifying
    @Query(
            "update PaperRow p set p.words = :words, p.done = :done, p.parts = :parts where p.id = :id and p.state = RUNNING")
    int reached(UUID id, String words, int done, int parts);

    /** @return 0 when it was not running any more */
    @Modifying
    @Query("update PaperRow p set p.state = :state, p.words = :words, p.draft = :draft, "
            + "p.bytes = :bytes, p.finishedAt = :at where p.id = :id and p.state = RUNNING")
    int ended(UUID id, PaperRow.State state, String words, boolean draft, int bytes, Instant at);
}
