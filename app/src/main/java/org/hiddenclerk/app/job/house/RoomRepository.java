package org.hiddenclerk.app.job.house;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface RoomRepository extends JpaRepository<RoomRow, UUID> {
    @Query("select b.label from BoxRow b where b.roomId = :room order by b.label")
    List<String> labelsOfBoxesIn(UUID room);

    @Modifying
    @Query(value = "update box set room_id = :other where room_id = :room", nativeQuery = true)
    void moveBoxes(UUID room, UUID other);

    @Query(value = "select count(*) from box where room_id = :room", nativeQuery = true)
    long countBoxesTakenAwayToo(UUID room);

    List<RoomRow> findByJobIdOrderByPosition(UUID jobId);
}
