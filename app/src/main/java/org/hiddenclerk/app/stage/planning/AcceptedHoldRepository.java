package org.hiddenclerk.app.stage.planning;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface AcceptedHoldRepository extends JpaRepository<AcceptedHoldRow, UUID> {
    List<AcceptedHoldRow> findByBoxIdOrderByAcceptedAt(UUID boxId);

    @Query(
            "select a from AcceptedHoldRow a, BoxRow b, RoomRow r where a.boxId = b.id and b.roomId = r.id and r.jobId = :job "
                    + "order by a.acceptedAt")
    List<AcceptedHoldRow> findByJob(UUID job);
}
