package org.hiddenclerk.app.job.house;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Component;

/** Finds houses and what the core needs to know of them. */
@Component
public class Houses {
    private final JobRepository jobs;
    private final RoomRepository rooms;
    private final CircuitRepository circuits;
    private final StockBook stock;

    Houses(JobRepository jobs, RoomRepository rooms, CircuitRepository circuits, StockBook stock) {
        this.jobs = jobs;
        this.rooms = rooms;
        this.circuits = circuits;
        this.stock = stock;
    }

    public JobRow job(UUID id) {
        return jobs.findById(id).orElseThrow(() -> ProblemException.notFound("job"));
    }

    public RoomRow room(UUID id) {
        return rooms.findById(id).orElseThrow(() -> ProblemException.notFound("room"));
    }

    public List<RoomRow> rooms(UUID job) {
        return rooms.findByJobIdOrderByPosition(job);
    }

    public List<CircuitRow> circuits(UUID job) {
        return circuits.findByJobId(job);
    }

    public HouseContext context(UUID job) {
        Map<CircuitId, Circuit> byId = circuits(job).stream()
                .map(CircuitRow::toCircuit)
                .collect(Collectors.toMap(Circuit::id, Function.identity()));
        return new HouseContext(job(job).region(), byId, stock.catalogue());
    }
}
