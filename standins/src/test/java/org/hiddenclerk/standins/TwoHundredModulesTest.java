package org.hiddenclerk.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.credentials.MatterManualCode;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Policy;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Rollout;
import org.hiddenclerk.core.firmware.RolloutPlan;
import org.hiddenclerk.core.firmware.Version;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.BatchJoin;
import org.hiddenclerk.core.joining.JoinFindings;
import org.hiddenclerk.core.joining.JoinOrder;
import org.hiddenclerk.core.joining.Member;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Updating;
import org.junit.jupiter.api.Test;

/** A house of 200 modules of all four protocols, one in twenty of them faulty: joined, named, set and updated in one run. */
class TwoHundredModulesTest {
    private static final int MODULES = 200;
    private static final double FAULTY = 0.05;

    private final StandInHouse house = new StandInHouse(HouseClock.virtual());
    private final Map<Integer, Fault> faults = StandInHouse.faults(MODULES, FAULTY, 42);
    private final Rehearsal rehearsal = new Rehearsal(
            device -> house.network(protocolOf(Integer.parseInt(device.id().substring(1)))));
    private final Map<String, String> addresses = rehearsal.addresses();
    private final List<Finding> findings = new ArrayList<>();

    private static Protocol protocolOf(int i) {
        return Protocol.values()[i % 4];
    }

    private static String kindOf(int i) {
        return "K" + i % 4 + (i % 8 < 4 ? "A" : "B");
    }

    private static double metresOf(int i) {
        return 2 + i / 4 % 25;
    }

    private static boolean passesOn(int i) {
        return i % 8 < 4;
    }

    /** Sixteen devices and more share a short discriminator when there are fifty of them. */
    private static String codeOf(int i) {
        return protocolOf(i) == Protocol.WIFI
                ? new MatterManualCode(i % 16, 20_202_021 + i, Optional.empty()).code()
                : "code " + i;
    }

    private static BatchJoin.Expected expected(int i) {
        return new BatchJoin.Expected(
                "S" + i, "A" + i, codeOf(i), Rehearsal.nameOf("S" + i), Map.of("power-on", "last"));
    }

    private void join(Protocol protocol) {
        List<BatchJoin.Expected> waiting = JoinOrder.of(java.util.stream.IntStream.range(0, MODULES)
                        .filter(i -> protocolOf(i) == protocol)
                        .mapToObj(i -> new JoinOrder.Waiting("S" + i, passesOn(i), metresOf(i)))
                        .toList())
                .stream()
                .map(each -> expected(Integer.parseInt(each.id().substring(1))))
                .toList();
        BatchJoin.Outcome outcome = new BatchJoin(house.network(protocol), new BatchJoin.World() {
                    @Override
                    public void pass(Duration time) {
                        house.pass(time);
                    }

                    @Override
                    public void search(BatchJoin.Expected module) {
                        house.press(module.id());
                    }

                    @Override
                    public void cameIn(BatchJoin.Expected module, Member member) {
                        assertThat(addresses.put(module.id(), member.address()))
                                .as("twice in")
                                .isNull();
                    }
                })
                .run(waiting);
        findings.addAll(outcome.findings());
    }

    @Test
    void allAreJoinedNamedAndUpdatedOrListedWithARemedy() {
        for (int i = 0; i < MODULES; i++) {
            house.bring(
                    "S" + i,
                    "A" + i,
                    protocolOf(i),
                    kindOf(i),
                    1,
                    passesOn(i),
                    metresOf(i),
                    codeOf(i),
                    "1.0.0",
                    faults.containsKey(i) ? Set.of(faults.get(i)) : Set.of());
        }
        for (Protocol protocol : Protocol.values()) {
            join(protocol);
        }
        Map<String, Release> releases = addresses.keySet().stream()
                .map(id -> kindOf(Integer.parseInt(id.substring(1))))
                .distinct()
                .collect(Collectors.toMap(k -> k, k -> Rehearsal.release(k, "1.1.0")));
        List<Device> devices = addresses.keySet().stream()
                .map(id -> new Device(
                        id,
                        kindOf(Integer.parseInt(id.substring(1))),
                        Version.read("1.0.0"),
                        0,
                        !passesOn(Integer.parseInt(id.substring(1))),
                        "1"))
                .toList();
        RolloutPlan plan = RolloutPlan.of(devices, releases, Policy.USUAL);
        Rollout.Next next = new Updating(plan, rehearsal).run(List.of());
        while (next instanceof Rollout.Next.Stopped) {
            rehearsal.events().add(new Rollout.Event.GoneOn("somebody"));
            next = new Updating(plan, rehearsal).run(List.copyOf(rehearsal.events()));
        }
        assertThat(next).isInstanceOf(Rollout.Next.Done.class);
        Rollout rollout = Rollout.replay(plan, rehearsal.events());
        rollout.troubles().forEach((id, why) -> findings.add(JoinFindings.notUpdated(id, why)));

        Set<String> members = new TreeSet<>();
        for (Protocol protocol : Protocol.values()) {
            ((Answer.Members) house.network(protocol).ask(new Order.Inventory()).orElseThrow())
                    .members()
                    .forEach(m -> assertThat(members.add(m.address())).isTrue());
        }
        assertThat(members).as("none doubled, none lost").hasSameSizeAs(addresses.keySet());
        assertThat(findings).allSatisfy(f -> assertThat(f.remedies()).isNotEmpty());
        for (int i = 0; i < MODULES; i++) {
            String id = "S" + i;
            boolean updated = house.versionOf(id).equals("1.1.0");
            assertThat(addresses.containsKey(id) && updated
                            || findings.stream().anyMatch(f -> f.subject().involves(new Subject.Device(id))))
                    .as(id + " " + faults.get(i))
                    .isTrue();
            if (!faults.containsKey(i)) {
                assertThat(updated).as(id).isTrue();
            }
            assertThat(house.sumOf(id))
                    .as(id + " is at a known version")
                    .isIn(
                            Release.sumOf(FirmwareFile.of(kindOf(i), "1.0.0")),
                            Release.sumOf(FirmwareFile.of(kindOf(i), "1.1.0")));
        }
        faults.forEach((i, fault) -> {
            Set<FindingCode> codes = findings.stream()
                    .filter(f -> f.subject().involves(new Subject.Device("S" + i)))
                    .map(Finding::code)
                    .collect(Collectors.toSet());
            switch (fault) {
                case OTHER_CODE -> assertThat(codes).contains(FindingCode.DID_NOT_COME_IN);
                case SILENT -> assertThat(codes).contains(FindingCode.DOES_NOT_ANSWER, FindingCode.UPDATE_NOT_TAKEN);
                case TAKES_NOTHING -> assertThat(codes).contains(FindingCode.UPDATE_NOT_TAKEN);
                case FORGETFUL -> assertThat(codes).contains(FindingCode.SETTING_NOT_KEPT);
                case WEAK ->
                    assertThat(codes).containsAnyOf(FindingCode.LINK_MEASURED_WEAK, FindingCode.LINK_MEASURED_POOR);
                case MOVES -> assertThat(addresses.get("S" + i)).isNotEqualTo("A" + i);
                case BREAKS_OFF, CORRUPTS, NAMED_ALIKE ->
                    assertThat(house.versionOf("S" + i)).isEqualTo("1.1.0");
            }
        });
    }
}
