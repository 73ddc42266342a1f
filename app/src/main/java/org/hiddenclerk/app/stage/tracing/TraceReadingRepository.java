package org.hiddenclerk.app.stage.tracing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface TraceReadingRepository extends JpaRepository<TraceReadingRow, UUID> {
    @Query(
            "select distinct t.boxId from TraceReadingRow t, BoxRow b, RoomRow r where t.boxId = b.id and b.roomId = r.id "
                    + "and r.jobId = :job")
    Set<UUID> boxesRead(UUID job);

    /** How much was read in a box, and when last. */
    record ReadBox(UUID boxId, long readings, Instant last) {}

    @Query("select new org.hiddenclerk.app.stage.tracing.TraceReadingRepository$ReadBox(t.boxId, "
            + "count(t), max(t.readAt)) from TraceReadingRow t, BoxRow b, RoomRow r "
            + "where t.boxId = b.id and b.roomId = r.id and r.jobId = :job group by t.boxId")
    List<ReadBox> read(UUID job);

    List<TraceReadingRow> findByBoxIdInOrderByReadAt(Collection<UUID> boxes);
}
