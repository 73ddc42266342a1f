package org.hiddenclerk.core.wiring;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Role;

/** Which terminal of a gang carries the live, and which cores belong to its lamps. */
final class SwitchPoles {
    private final Box box;

    SwitchPoles(Box box) {
        this.box = box;
    }

    /** Cores with the permanent live of a circuit. */
    List<Box.CableCore> lives(CircuitId circuit) {
        return ofRole(circuit, Role.PERMANENT_LIVE);
    }

    /** Cores with the neutral of a circuit, to feed and lamps alike. */
    List<Box.CableCore> neutrals(CircuitId circuit) {
        return ofRole(circuit, Role.NEUTRAL);
    }

    private List<Box.CableCore> ofRole(CircuitId circuit, Role role) {
        return box.cores().stream().filter(core -> core.core().role() == role
                && box.circuitOf(core).filter(circuit::equals).isPresent()).toList();
    }

    /** Cores that carry the switched live of a gang's loads. */
    List<Box.CableCore> switched(Gang gang) {
        Set<Integer> loads = new LinkedHashSet<>();
        box.loadsOf(gang.number()).forEach(load -> loads.add(load.number()));
        return box.cores().stream().filter(core -> core.core().role() == Role.SWITCHED_LIVE
                && loadOf(core).filter(loads::contains).isPresent()).toList();
    }

    private static Optional<Integer> loadOf(Box.CableCore core) {
        if (core.cable().leads() instanceof Leads.ToLoad lamp) {
            return Optional.of(lamp.load());
        }
        return core.cable().leads() instanceof Leads.ToLoadWithFeed loop ? Optional.of(loop.load()) : Optional.empty();
    }

    /** The terminal of a two-terminal mechanism that is on the permanent live as surveyed, if one is. */
    Optional<End.AtMechanism> livePole(Gang gang) {
        Set<End> live = reachedFrom(lives(gang.circuit()));
        return gang.mechanism().terminals().stream().map(t -> new End.AtMechanism(gang.number(), t))
                .filter(live::contains).findFirst();
    }

    /** The terminal on the lamp wire as surveyed, if one is. */
    Optional<End.AtMechanism> lampPole(Gang gang) {
        Set<End> switched = reachedFrom(switched(gang));
        return gang.mechanism().terminals().stream().map(t -> new End.AtMechanism(gang.number(), t))
                .filter(switched::contains).findFirst();
    }

    private Set<End> reachedFrom(List<Box.CableCore> cores) {
        Set<End> reached = new LinkedHashSet<>();
        Deque<End> open = new ArrayDeque<>();
        cores.forEach(core -> open.add(core.core().end()));
        while (!open.isEmpty()) {
            End at = open.remove();
            if (at instanceof End.Capped || at instanceof End.Loose || !reached.add(at)) {
                continue;
            }
            for (Jumper jumper : box.jumpers()) {
                if (jumper.from().equals(at)) {
                    open.add(jumper.to());
                } else if (jumper.to().equals(at)) {
                    open.add(jumper.from());
                }
            }
        }
        return reached;
    }
}
