package org.hiddenclerk.app.stage.planning;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface IssuedPlanRepository extends JpaRepository<IssuedPlanRow, UUID> {
    Optional<IssuedPlanRow> findFirstByBoxIdOrderByIssuedAtDesc(UUID boxId);

    /** Plans whose work opens a box, the latest first. */
    @Query("select p from IssuedPlanRow p join p.opens o where o = :box order by p.issuedAt desc")
    List<IssuedPlanRow> findThatOpen(UUID box, Limit most);

    @Query(
            "select p from IssuedPlanRow p left join fetch p.opens join BoxRow b on p.boxId = b.id join RoomRow r on b.roomId = r.id "
                    + "where r.jobId = :job order by p.issuedAt")
    List<IssuedPlanRow> findByJob(UUID job);
}
