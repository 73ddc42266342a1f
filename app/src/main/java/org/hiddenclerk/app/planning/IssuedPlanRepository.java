package org.hiddenclerk.app.planning;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface IssuedPlanRepository extends JpaRepository<IssuedPlanRow, UUID> {
    Optional<IssuedPlanRow> findFirstByBoxIdOrderByIssuedAtDesc(UUID boxId);

    @Query("select p from IssuedPlanRow p, BoxRow b, RoomRow r where p.boxId = b.id and b.roomId = r.id "
            + "and r.jobId = :job order by p.issuedAt")
    List<IssuedPlanRow> findByJob(UUID job);
}
