package org.hiddenclerk.app.stage.survey;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface BoxRepository extends JpaRepository<BoxRow, UUID> {
    @Query("select b from BoxRow b, RoomRow r where r.id = b.roomId and r.jobId = :job order by r.position, b.label")
    List<BoxRow> findByJob(UUID job);

    /** A box that was taken away. */
    @Query(value = "select * from box where id = :box and removed_at is not null", nativeQuery = true)
    Optional<BoxRow> findTakenAway(UUID box);

    @Query("select distinct b.id from BoxRow b join b.picks p where p.moduleCode = :code or p.companionCode = :code")
    List<UUID> findPickedWith(String code);
}
