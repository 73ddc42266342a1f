package org.hiddenclerk.app.stage.fitting;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.fitting.Locks.Lock;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Hangs locks on circuits and takes them off; everybody only the own ones. */
@Component
class CircuitLocks {
    private final LockRepository locks;
    private final Boxes boxes;

    CircuitLocks(LockRepository locks, Boxes boxes) {
        this.locks = locks;
        this.boxes = boxes;
    }

    private static UUID idOf(CircuitId circuit) {
        return UUID.fromString(circuit.value());
    }

    @Transactional
    public void hang(Set<CircuitId> circuits, UUID box, String who, Instant now) {
        Set<UUID> own = locks.findByBoxIdAndPersonAndTakenOffAtIsNull(box, who).stream()
                .map(LockRow::circuitId)
                .collect(Collectors.toSet());
        circuits.stream()
                .map(CircuitLocks::idOf)
                .filter(circuit -> !own.contains(circuit))
                .forEach(circuit -> locks.save(new LockRow(circuit, box, who, now)));
        locks.flush();
    }

    /** @return how many came off */
    @Transactional
    public int takeOff(UUID box, String who, Instant now) {
        List<LockRow> own = locks.findByBoxIdAndPersonAndTakenOffAtIsNull(box, who);
        own.forEach(lock -> lock.comesOff(now));
        locks.saveAllAndFlush(own);
        return own.size();
    }

    /** What hangs on circuits, whatever box it is for. */
    @Transactional(readOnly = true)
    public List<Lock> on(Set<CircuitId> circuits, HouseContext house) {
        Map<UUID, CircuitId> byId = circuits.stream().collect(Collectors.toMap(CircuitLocks::idOf, circuit -> circuit));
        List<LockRow> hanging = locks.findByCircuitIdInAndTakenOffAtIsNullOrderByPutOnAt(byId.keySet());
        Map<UUID, String> labels = hanging.stream()
                .map(LockRow::boxId)
                .distinct()
                .collect(Collectors.toMap(box -> box, box -> label(box)));
        return hanging.stream()
                .map(lock -> new Lock(
                        house.label(byId.get(lock.circuitId())),
                        lock.person(),
                        labels.get(lock.boxId()),
                        lock.putOnAt()))
                .toList();
    }

    private String label(UUID box) {
        BoxRow row = boxes.find(box).row();
        return row.label();
    }
}
