package org.hiddenclerk.app.stage.feel;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FeelRepository extends JpaRepository<FeelRow, FeelRow.Of> {
    @Query("select f from FeelRow f where f.of.boxId = :box order by f.of.name")
    List<FeelRow> findByBox(UUID box);

    @Query(
            "select f from FeelRow f, BoxRow b, RoomRow r where f.of.boxId = b.id and b.roomId = r.id and r.jobId = :job")
    List<FeelRow> findByJob(UUID job);
}
