package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.LoadRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/**
 * Fan and light on two channels in the canopy. The wall switch becomes an input for the light where the conductors allow,
 * else its wires are joined and the plate is blanked.
 */
final class CanopyFanLight implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.CANOPY_FAN_LIGHT;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        List<LoadRef> loads = loads(site);
        boolean fan = loads.stream().anyMatch(CanopyFanLight::isFan);
        return new Obstacles(site)
                .contacts()
                .oneCircuit()
                .mainsCircuit()
                .mainsModule()
                .oneLampPlace()
                .notFor(
                        loads.size() != 2 || !fan,
                        site.positions().get(0).subject(),
                        "This scheme takes one fan and one light in the same place.")
                .lacks(
                        site.model().channels().size() < 2,
                        "A fan and a light need two channels.",
                        "a module for a canopy")
                .list();
    }

    private static List<LoadRef> loads(Site site) {
        Set<LoadRef> loads = new LinkedHashSet<>();
        site.positions().forEach(position -> loads.addAll(position.loads()));
        return List.copyOf(loads);
    }

    private static boolean isFan(LoadRef load) {
        return load.load().banks().stream().anyMatch(bank -> bank.kind() == LoadKind.MOTOR);
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        List<LoadRef> loads = loads(site);
        List<List<LoadRef>> read = new ArrayList<>(List.of(loads));
        loads.forEach(load -> read.add(List.of(load)));
        read.add(List.of());
        return read.stream()
                .<Consumer<PlanDraft>>map(own -> draft -> apply(site, own, draft))
                .toList();
    }

    /**
     * Each load that is read keeps the switch that it has: as many as cores and inputs allow.
     *
     * @param read loads whose own switch becomes an input
     */
    private static void apply(Site site, List<LoadRef> read, PlanDraft draft) {
        Place place = site.lampPlace().orElseThrow();
        ModuleModel model = site.model();
        CircuitId circuit = site.positions().get(0).circuit();
        ModuleWork work = ModuleWork.fit(draft, place, model);
        work.supply(circuit);
        List<GangRef> switches = site.positions().stream()
                .flatMap(p -> p.controls().stream())
                .distinct()
                .toList();
        Set<Input> used = new LinkedHashSet<>();
        for (LoadRef load : loads(site)) {
            Channel channel = channelFor(model, load);
            work.output(channel, List.of(load));
            List<GangRef> own = site.found().controlsOf(load).stream()
                    .filter(gang -> !draft.isTakenOver(gang))
                    .toList();
            List<Input> inputs = work.inputsOf(channel).stream()
                    .filter(input -> !used.contains(input))
                    .toList();
            boolean reads = read.contains(load) && !inputs.isEmpty() && !own.isEmpty();
            if (reads) {
                used.add(inputs.get(0));
                work.input(
                        inputs.get(0),
                        own.get(0),
                        circuit,
                        site.assignment().behaviour(own.get(0).number()));
            }
            draft.want(load, reads ? List.of(own.get(0)) : List.of(), true);
        }
        switches.stream().filter(gang -> !draft.isTakenOver(gang)).forEach(gang -> NoSwitch.blank(draft, gang));
    }

    /** The fan goes where a motor rating is stated; a light takes the other channel. */
    private static Channel channelFor(ModuleModel model, LoadRef load) {
        Channel fan = model.channels().stream()
                .filter(channel -> channel.ratings().stream().anyMatch(rating -> rating.load() == LoadKind.MOTOR))
                .reduce((first, last) -> last)
                .orElse(model.channels().get(1));
        return isFan(load)
                ? fan
                : model.channels().stream()
                        .filter(channel -> channel != fan)
                        .findFirst()
                        .orElseThrow();
    }
}
