package org.hiddenclerk.core.matching.survey;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.module.ChannelLoad;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.LoadArithmetic;
import org.hiddenclerk.core.quantity.Volts;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.run.HouseContext;

/**
 * All surveyed loads of a circuit at once, without diversity, against its device and its cable.
 *
 * @param amps       sum of the currents of all loads
 * @param continuous of that, what runs for three hours or more
 * @param findings   what is too much
 */
public record CircuitSum(Circuit circuit, int loads, Watts watts, Amps amps, Amps continuous, List<Finding> findings) {
    /** Share of a rating from which a sum is called close; common practice, no source. */
    private static final int CLOSE_PERCENT = 80;

    public CircuitSum {
        findings = List.copyOf(findings);
    }

    /**
     * The sums of a house, one for each circuit, in the order of their labels.
     *
     * @param boxes surveyed boxes by identity
     */
    public static List<CircuitSum> of(HouseContext house, Map<String, Box> boxes) {
        Map<CircuitId, List<SurveyedLoad>> loads = new LinkedHashMap<>();
        boxes.forEach((id, box) -> box.loads().forEach(load -> circuitOf(id, load, boxes)
                .ifPresent(circuit ->
                        loads.computeIfAbsent(circuit, c -> new ArrayList<>()).add(load))));
        return house.circuits().values().stream()
                .sorted(java.util.Comparator.comparing(Circuit::label))
                .map(circuit -> of(circuit, loads.getOrDefault(circuit.id(), List.of()), house.region()))
                .toList();
    }

    private static CircuitSum of(Circuit circuit, List<SurveyedLoad> loads, RegionProfile region) {
        Volts volts = circuit.elvVolts().orElse(region.nominalVolts());
        Watts watts = loads.stream().map(SurveyedLoad::total).reduce(Watts.ZERO, Watts::plus);
        Amps amps = amps(loads, volts);
        Amps continuous = amps(loads.stream().filter(SurveyedLoad::continuous).toList(), volts);
        List<Finding> findings = new ArrayList<>();
        Subject subject = new Subject.Circuit(circuit.label());
        Sentence.Amount drawn = ChannelLoad.amount(amps.asDecimal(), "A");
        Sentence.Amount rated = ChannelLoad.amount(circuit.rating().asDecimal(), "A");
        if (amps.compareTo(circuit.rating()) > 0) {
            findings.add(Finding.of(
                    FindingCode.CIRCUIT_OVERLOAD,
                    subject,
                    Sentence.of("All surveyed loads at once draw {found}; the device is rated {allowed}.")
                            .found(drawn)
                            .allowed(rated),
                    Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.REWIRE, "move loads to another circuit")));
        } else if (amps.milliamps() * 100 > circuit.rating().milliamps() * CLOSE_PERCENT) {
            findings.add(Finding.of(
                    FindingCode.NEAR_LIMIT,
                    subject,
                    Sentence.of("All surveyed loads at once draw {found} of {allowed}.")
                            .found(drawn)
                            .allowed(rated),
                    Source.COMMON_PRACTICE));
        }
        region.continuousPercent().ifPresent(percent -> {
            if (!LoadArithmetic.isWithinContinuousLimit(continuous, circuit.rating(), percent)) {
                findings.add(Finding.of(
                        FindingCode.CONTINUOUS_OVERLOAD,
                        subject,
                        Sentence.of(
                                        "Loads of three hours or more draw {found}; at most {0}\u2009% of {allowed} is allowed.",
                                        percent)
                                .found(ChannelLoad.amount(continuous.asDecimal(), "A"))
                                .allowed(rated),
                        region.continuousSource()));
            }
        });
        cable(circuit, region).ifPresent(findings::add);
        findings.sort(Finding.ORDER);
        return new CircuitSum(circuit, loads.size(), watts, amps, continuous, findings);
    }

    private static Amps amps(List<SurveyedLoad> loads, Volts volts) {
        Amps sum = Amps.ZERO;
        for (SurveyedLoad load : loads) {
            for (LoadBank bank : load.banks()) {
                sum = sum.plus(LoadArithmetic.current(bank.total(), volts, bank.powerFactor(), 1));
            }
        }
        return sum;
    }

    private static Optional<Finding> cable(Circuit circuit, RegionProfile region) {
        return circuit.protection()
                .cableMm2()
                .flatMap(mm2 ->
                        CableProtection.judge(circuit, mm2, region, new Subject.Circuit(circuit.label()), "The cable"));
    }

    /** Circuit of a load: that of its gang; of one that hangs in a box, the first that is met along the cables. */
    private static Optional<CircuitId> circuitOf(String id, SurveyedLoad load, Map<String, Box> boxes) {
        if (!load.hangsHere()) {
            return Optional.of(boxes.get(id).gang(load.gang()).circuit());
        }
        Deque<String> open = new ArrayDeque<>(List.of(id));
        Set<String> seen = new HashSet<>(open);
        while (!open.isEmpty()) {
            Box box = boxes.get(open.remove());
            Optional<CircuitId> here = circuitIn(box);
            if (here.isPresent()) {
                return here;
            }
            for (Cable cable : box.cables()) {
                if (cable.leads() instanceof Leads.ToBox to && boxes.containsKey(to.box()) && seen.add(to.box())) {
                    open.add(to.box());
                }
            }
        }
        return Optional.empty();
    }

    private static Optional<CircuitId> circuitIn(Box box) {
        Optional<CircuitId> feed = box.cables().stream()
                .filter(c -> c.leads() instanceof Leads.FromSupply)
                .map(c -> ((Leads.FromSupply) c.leads()).circuit())
                .findFirst();
        return feed.or(() -> box.gangs().stream().map(Gang::circuit).findFirst());
    }
}
