package org.hiddenclerk.app.stage.papers;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.hiddenclerk.app.stage.fitting.RunSheets;
import org.hiddenclerk.app.stage.handover.Handovers;
import org.hiddenclerk.core.handover.HandoverRecord;
import org.hiddenclerk.core.handover.HouseholdGuide;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.HouseContext;

/**
 * What papers say of a house.
 *
 * @param sentences rules and links in words
 * @param guide     page of each room for the household, by room
 */
record HouseFacts(
        String name,
        String place,
        HouseContext house,
        List<Circuit> circuits,
        List<Room> rooms,
        Handovers.Held held,
        List<String> sentences,
        Map<UUID, HouseholdGuide.Page> guide,
        Instant at,
        String by) {
    Stream<Box> boxes() {
        return rooms.stream().flatMap(room -> room.boxes().stream());
    }

    /** Boxes that a module was picked for. */
    List<Box> planned() {
        return boxes().filter(Box::isPlanned).toList();
    }

    /** A room with its boxes. */
    record Room(UUID id, String name, String storey, List<Box> boxes) {}

    /**
     * A box.
     *
     * @param plan     worked out when it is asked for: a large house has many
     * @param issuedBy who issued the plan, and when; empty where the plan is only drawn so far
     */
    record Box(
            UUID id,
            String label,
            String room,
            String kind,
            boolean isPlanned,
            List<Gang> gangs,
            Supplier<WiringPlan> plan,
            Optional<String> issuedBy,
            List<Module> modules,
            List<RunSheets.Made> readings,
            List<HandoverRecord.Line> tests) {
        /** A switch of it as the planned house knows it. */
        PlannedId.Switch switchId(Gang gang) {
            return new PlannedId.Switch(id.toString(), gang.number());
        }
    }

    /**
     * A module in its box.
     *
     * @param settings of its inputs, in words
     */
    record Module(
            String number,
            String code,
            String name,
            String serial,
            String address,
            String firmware,
            String network,
            List<String> settings) {}
}
