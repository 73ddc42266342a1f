package org.hiddenclerk.core.firmware;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.hiddenclerk.core.firmware.Rollout.Event;
import org.hiddenclerk.core.firmware.Rollout.Next;
import org.hiddenclerk.core.firmware.Rollout.Status;
import org.junit.jupiter.api.Test;

/** Roll-outs: the order of the waves, what stops them, and that whoever was cut off goes on where it stood. */
class RolloutTest {
    private static final Version OLD = Version.read("1.4.0").orElseThrow();
    private static final Version NEW = Version.read("1.10.0").orElseThrow();
    private static final String SUM = "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad";
    private static final Map<String, Release> RELEASES = Map.of(
            "relay",
            new Release("relay", NEW, SUM, Set.of("run-on"), ""),
            "blind",
            new Release("blind", NEW, SUM, Set.of(), ""));

    private static Device device(String id, String kind, int hops, boolean leaf) {
        return new Device(id, kind, Optional.of(OLD), hops, leaf, "c" + hops);
    }

    private static List<Device> house(int size, Random random) {
        List<Device> devices = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            devices.add(device("d" + i, i % 3 == 0 ? "blind" : "relay", random.nextInt(4), random.nextInt(3) == 0));
        }
        return devices;
    }

    /** SH-1 to SH-4 of the check values: FIPS 180-4. */
    @Test
    void sumsOfFilesAreThePublishedOnes() {
        assertThat(Release.sumOf("abc".getBytes(StandardCharsets.US_ASCII)))
                .as("SH-1")
                .isEqualTo(SUM);
        assertThat(Release.sumOf(new byte[0]))
                .as("SH-2")
                .isEqualTo("e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855");
        assertThat(Release.sumOf(
                        "abcdbcdecdefdefgefghfghighijhijkijkljklmklmnlmnomnopnopq".getBytes(StandardCharsets.US_ASCII)))
                .as("SH-3")
                .isEqualTo("248d6a61d20638b8e5c026930c3e6039a33ce45964ff2167f6ecedd419db06c1");
        assertThat(Release.sumOf("a".repeat(1_000_000).getBytes(StandardCharsets.US_ASCII)))
                .as("SH-4")
                .isEqualTo("cdc76e5c9914fb9281a1c7e284d73e67f1809a48a497200e046d39ccc7112cd0");
        assertThat(RELEASES.get("relay").isOf("abd".getBytes(StandardCharsets.US_ASCII)))
                .isFalse();
    }

    @Test
    void oneOfEachKindFirstThenNearToFarAndLeavesLast() {
        RolloutPlan plan = RolloutPlan.of(
                List.of(
                        device("far", "relay", 3, false),
                        device("leaf", "relay", 1, true),
                        device("near", "relay", 0, false),
                        device("middle", "relay", 2, false),
                        device("blind", "blind", 2, false)),
                RELEASES,
                new Policy(2, 1, 1, Optional.empty()));

        assertThat(plan.waves())
                .extracting(wave -> wave.stream().map(Device::id).toList())
                .containsExactly(List.of("near", "blind"), List.of("middle", "far"), List.of("leaf"));
    }

    @Test
    void whatHasItOrIsNewerStaysAsItIs() {
        Device newer =
                new Device("newer", "relay", Optional.of(Version.read("2.0.0").orElseThrow()), 0, false, "1");
        Device has = new Device("has", "relay", Optional.of(NEW), 0, false, "1");
        Device other = new Device("other", "socket", Optional.of(OLD), 0, false, "1");

        RolloutPlan plan = RolloutPlan.of(List.of(newer, has, other), RELEASES, Policy.USUAL);
        assertThat(plan.waves()).isEmpty();
        assertThat(plan.left()).containsOnlyKeys("newer", "has", "other");
        assertThat(plan.left().get("newer")).contains("needs a reason");
        assertThat(RolloutPlan.of(List.of(newer), RELEASES, new Policy(5, 3, 2, Optional.of("2.0.0 loses its way")))
                        .waves())
                .hasSize(1);
    }

    @Test
    void aFirstOfItsKindThatDoesNotTakeItHoldsTheOthers() {
        RolloutPlan plan = RolloutPlan.of(
                List.of(
                        device("a", "relay", 0, false),
                        device("b", "relay", 1, false),
                        device("c", "blind", 0, false),
                        device("d", "blind", 1, false)),
                RELEASES,
                new Policy(5, 1, 5, Optional.empty()));
        Rollout rollout = Rollout.replay(
                plan,
                List.of(
                        new Event.Started("a"),
                        new Event.Started("c"),
                        new Event.Failed("a", "no answer"),
                        new Event.Reported("c", NEW, SUM)));

        assertThat(rollout.status("b")).isEqualTo(Status.HELD);
        assertThat(rollout.troubles().get("b")).contains("the first of its kind, a");
        assertThat(rollout.next(Set.of(), Set.of())).isEqualTo(new Next.Start(List.of(device("d", "blind", 1, false))));
    }

    @Test
    void anotherFileOrAnotherVersionIsNoSuccess() {
        RolloutPlan plan = RolloutPlan.of(
                List.of(device("a", "relay", 0, false)), RELEASES, new Policy(5, 2, 1, Optional.empty()));
        Rollout rollout = Rollout.replay(
                plan,
                List.of(
                        new Event.Started("a"),
                        new Event.Reported("a", NEW, SUM.replace("ba", "ab")),
                        new Event.Started("a"),
                        new Event.Reported("a", OLD, SUM)));

        assertThat(rollout.status("a")).isEqualTo(Status.MARKED);
        assertThat(rollout.troubles().get("a")).contains("it says 1.4.0");
        assertThat(rollout.next(Set.of(), Set.of())).isInstanceOf(Next.Stopped.class);
        assertThat(rollout.refusal(new Event.Started("a"))).isPresent();
    }

    @Test
    void nothingIsBegunOnIsolatedCircuitsNorOnChannelsInUse() {
        RolloutPlan plan = RolloutPlan.of(
                List.of(device("a", "relay", 0, false), device("b", "blind", 1, false)), RELEASES, Policy.USUAL);
        Rollout rollout = Rollout.replay(plan, List.of());
        assertThat(rollout.next(Set.of("c0"), Set.of()))
                .isEqualTo(new Next.Start(List.of(device("b", "blind", 1, false))));
        assertThat(((Next.Wait) rollout.next(Set.of("c0"), Set.of("b"))).reason())
                .contains("circuit c0 is isolated", "b is in use");
    }

    /** With faults and cuts at any moment: every module ends in one known way, none is begun twice at once, and the same comes out. */
    @Property(tries = 200)
    void noneIsLostOrDoubledHoweverItIsCutOff(
            @ForAll long seed,
            @ForAll @IntRange(min = 1, max = 60) int size,
            @ForAll @IntRange(min = 1, max = 8) int batch) {
        Random random = new Random(seed);
        RolloutPlan plan = RolloutPlan.of(house(size, random), RELEASES, new Policy(batch, 3, 2, Optional.empty()));
        List<Event> log = new ArrayList<>();
        Set<String> begun = new HashSet<>();
        for (int step = 0; step < 40 * size + 40; step++) {
            // Cut off after every step: only the log is left.
            Rollout rollout = Rollout.replay(plan, log);
            Next next = rollout.next(Set.of(), Set.of());
            if (next instanceof Next.Done) {
                assertThat(plan.waves().stream().flatMap(List::stream))
                        .allSatisfy(d ->
                                assertThat(rollout.status(d.id())).isIn(Status.VERIFIED, Status.MARKED, Status.HELD));
                assertThat(plan.waves().stream()
                                .flatMap(List::stream)
                                .filter(d -> rollout.status(d.id()) != Status.VERIFIED))
                        .allSatisfy(d -> assertThat(rollout.troubles()).containsKey(d.id()));
                return;
            }
            if (next instanceof Next.Start start) {
                Device device =
                        start.devices().get(random.nextInt(start.devices().size()));
                assertThat(begun.add(device.id())).as("begun twice at once").isTrue();
                log.add(new Event.Started(device.id()));
            } else if (next instanceof Next.Read read) {
                Device device = read.devices().get(0);
                begun.remove(device.id());
                log.add(
                        random.nextInt(20) == 0
                                ? new Event.Failed(device.id(), "no answer")
                                : new Event.Reported(device.id(), NEW, SUM));
            } else {
                log.add(new Event.GoneOn("a lead"));
            }
        }
        throw new AssertionError("It does not come to an end.");
    }
}
