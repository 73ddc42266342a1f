package org.hiddenclerk.app.fitting;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface RunSheetRepository extends JpaRepository<RunSheetRow, UUID> {
    Optional<RunSheetRow> findFirstByBoxIdOrderByStartedAtDesc(UUID boxId);

    /** Open sheets of plans that another box belongs to as a neighbour. */
    @Query("select count(s) from RunSheetRow s, IssuedPlanRow p where s.planId = p.id and s.finished = false "
            + "and s.setAside = false and p.neighbours like concat('%', :box, '%')")
    long countOpenOnRunsThrough(String box);

    /** Holds the sheets of a box until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select s from RunSheetRow s where s.boxId = :box and s.finished = false and s.setAside = false")
    List<RunSheetRow> findForUpdate(UUID box);

    boolean existsByBoxIdAndFinishedFalseAndSetAsideFalse(UUID boxId);

    @Query("select s from RunSheetRow s, BoxRow b, RoomRow r where s.boxId = b.id and b.roomId = r.id "
            + "and r.jobId = :job order by s.startedAt")
    List<RunSheetRow> findByJob(UUID job);
}
