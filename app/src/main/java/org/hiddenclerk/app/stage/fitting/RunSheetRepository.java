package org.hiddenclerk.app.stage.fitting;

import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RunSheetRepository extends JpaRepository<RunSheetRow, UUID> {
    /** Sheets of works that open a box, the latest first. */
    @Query(
            "select s from RunSheetRow s join IssuedPlanRow p on s.planId = p.id join p.opens o where o = :box order by s.startedAt desc")
    List<RunSheetRow> findThatOpen(UUID box, Limit most);

    /** Open sheets of plans that another box belongs to as a neighbour. */
    @Query("select count(s) from RunSheetRow s, IssuedPlanRow p where s.planId = p.id and s.finished = false "
            + "and s.setAside = false and p.neighbours like concat('%', :box, '%')")
    long countOpenOnRunsThrough(String box);

    boolean existsByBoxIdAndFinishedFalseAndSetAsideFalse(UUID boxId);

    @Query("select s from RunSheetRow s, BoxRow b, RoomRow r where s.boxId = b.id and b.roomId = r.id "
            + "and r.jobId = :job order by s.startedAt")
    List<RunSheetRow> findByJob(UUID job);
}
