package org.hiddenclerk.app.job.house;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RoomRepository extends JpaRepository<RoomRow, UUID> {
    @Query("select b.label from BoxRow b where b.roomId = :room order by b.label")
    List<String> labelsOfBoxesIn(UUID room);

    List<RoomRow> findByJobIdOrderByPosition(UUID jobId);
}
