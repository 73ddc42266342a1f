package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;

/**
 * What is at a load that was surveyed only by the cables that lead to it. A switch loop means that the circuit's feed
 * arrives there too; a cable without a neutral means that the load's neutral comes from elsewhere on its circuit.
 */
final class LampPlace {
    private static final String LIVES = "live";
    private static final String NEUTRALS = "neutral";
    private static final String FEED = "feed";

    private final Run.Place owner;
    private final SurveyedLoad load;
    private final RegionProfile region;
    private final List<Cable> leading;
    private final Run.Place place;

    LampPlace(Run.Place owner, SurveyedLoad load, RegionProfile region) {
        this.owner = owner;
        this.load = load;
        this.region = region;
        leading = owner.box().cables().stream().filter(cable -> leadsHere(cable.leads())).toList();
        String name = "x" + load.number();
        place = new Run.Place(owner.id() + "/" + name, owner.prefix() + name + "-", owner.prefix(), box(), true);
    }

    Run.Place place() {
        return place;
    }

    List<Run.Span> spans() {
        return leading.stream().map(cable -> new Run.Span(owner, cable, place, mirrored(cable))).toList();
    }

    private boolean leadsHere(Leads leads) {
        return leads instanceof Leads.ToLoad lamp && lamp.load() == load.number()
                || leads instanceof Leads.ToLoadWithFeed loop && loop.load() == load.number();
    }

    private Box box() {
        List<Cable> cables = new ArrayList<>();
        leading.forEach(cable -> cables.add(mirrored(cable)));
        feed().ifPresent(cables::add);
        List<Jumper> jumpers = neutralsMeet() ? List.of(new Jumper("n", region.neutralColour(),
                new End.InConnector(NEUTRALS), terminal("N"))) : List.of();
        return new Box(load.name(), BoxKind.LUMINAIRE, Optional.empty(), List.of(), List.of(load.hanging()), cables, jumpers);
    }

    private Cable mirrored(Cable cable) {
        boolean loop = cable.leads() instanceof Leads.ToLoadWithFeed;
        return new Cable(cable.name(), new Leads.ToBox(owner.id(), cable.name()), cable.mm2(), cable.cores().stream()
                .map(core -> new Core(core.number(), core.colour(), core.sleeve(), core.role(), endOf(core.role(), loop)))
                .toList());
    }

    private End endOf(Role role, boolean loop) {
        return switch (role) {
            case SWITCHED_LIVE -> terminal("L");
            case PERMANENT_LIVE, ELV_PLUS -> loop ? new End.InConnector(LIVES) : terminal("L");
            case NEUTRAL, ELV_MINUS -> neutralsMeet() ? new End.InConnector(NEUTRALS) : terminal("N");
            case EARTH -> terminal("PE");
            case TRAVELLER, CONTROL, SPARE -> new End.Capped();
        };
    }

    /** The circuit's feed where it must be here, with the cores that it must have. */
    private Optional<Cable> feed() {
        Optional<CircuitId> loop = leading.stream().map(Cable::leads).filter(Leads.ToLoadWithFeed.class::isInstance)
                .map(leads -> ((Leads.ToLoadWithFeed) leads).circuit()).findFirst();
        List<Core> cores = new ArrayList<>();
        boolean elv = has(Role.ELV_PLUS) || has(Role.ELV_MINUS);
        if (loop.isPresent()) {
            cores.add(core(1, region.liveColour(), elv ? Role.ELV_PLUS : Role.PERMANENT_LIVE, true));
            cores.add(core(2, region.neutralColour(), elv ? Role.ELV_MINUS : Role.NEUTRAL, true));
            if (!elv) {
                cores.add(core(3, region.earthColour(), Role.EARTH, true));
            }
        } else if (!has(Role.NEUTRAL) && !has(Role.ELV_MINUS)) {
            cores.add(core(2, region.neutralColour(), Role.NEUTRAL, true));
        }
        return cores.isEmpty() ? Optional.empty() : Optional.of(new Cable(FEED, new Leads.FromSupply(
                loop.orElseGet(() -> owner.box().gang(load.gang()).circuit())), leading.isEmpty()
                ? region.usualLightingMm2() : leading.get(0).mm2(), cores));
    }

    private End terminal(String name) {
        return new End.AtLoad(load.number(), name);
    }

    private Core core(int number, CoreColour colour, Role role, boolean loop) {
        return new Core(number, colour, Optional.empty(), role, endOf(role, loop));
    }

    /** A loop's cable that carries the neutral on, so that more than the load is on it. */
    private boolean neutralsMeet() {
        return leading.stream().anyMatch(cable -> cable.leads() instanceof Leads.ToLoadWithFeed && cable.cores().stream()
                .anyMatch(core -> core.role() == Role.NEUTRAL || core.role() == Role.ELV_MINUS));
    }

    private boolean has(Role role) {
        return leading.stream().flatMap(cable -> cable.cores().stream()).anyMatch(core -> core.role() == role);
    }
}
