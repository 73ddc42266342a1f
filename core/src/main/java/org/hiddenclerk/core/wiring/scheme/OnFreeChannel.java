package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ModuleInPlace;
import org.hiddenclerk.core.wiring.run.Net;

/**
 * A module that is in the box already takes more loads, on channels on which nothing hangs. Nothing is bought and nothing is put
 * in; its supply and all that it does today stay as they were found.
 */
public final class OnFreeChannel implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.FREE_CHANNEL;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        Optional<ModuleInPlace> module = moduleFor(site);
        if (module.isEmpty()) {
            return new Obstacles(site)
                    .notFor(true, new Subject.Box(site.lead().label()), whyNone(site))
                    .list();
        }
        return new Obstacles(site)
                .aSwitchForEachOnMains()
                .onCircuit(module.get())
                .list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        ModuleInPlace module = moduleFor(site).orElseThrow();
        return List.of(draft -> apply(site, module, draft));
    }

    private static void apply(Site site, ModuleInPlace module, PlanDraft draft) {
        ModuleWork work = ModuleWork.take(draft, module);
        List<ModuleInPlace.FreeChannel> free = module.free();
        for (int i = 0; i < site.positions().size(); i++) {
            Site.Position position = site.positions().get(i);
            work.output(free.get(i).channel(), position.loads());
            work.input(
                    free.get(i).input(), position.gang().orElseThrow(), position.circuit(), site.behaviour(position));
            position.loads().forEach(load -> draft.want(load, position.controls(), true));
        }
    }

    /** The module of the picked kind in the box that has channels enough; one on the circuit of the loads before others. */
    public static Optional<ModuleInPlace> moduleFor(Site site) {
        List<ModuleInPlace> able = alike(site).stream()
                .filter(module -> module.free().size() >= site.positions().size())
                .toList();
        CircuitId circuit = site.positions().get(0).circuit();
        return able.stream()
                .filter(module -> isOn(site, module, circuit))
                .findFirst()
                .or(() -> able.stream().findFirst());
    }

    private static List<ModuleInPlace> alike(Site site) {
        return ModuleInPlace.at(site.lead(), site.found().wiring().at(site.lead())).stream()
                .filter(module -> module.model().code().equals(site.model().code()))
                .toList();
    }

    /** Whether what feeds a module is the live of a circuit. */
    static boolean isOn(Site site, ModuleInPlace module, CircuitId circuit) {
        return site.found()
                .netAt(module.place(), module.pin(module.model().supply().livePin()))
                .flatMap(site.found()::supplyOf)
                .filter(Net.live(circuit)::equals)
                .isPresent();
    }

    private static Sentence whyNone(Site site) {
        List<ModuleInPlace> alike = alike(site);
        return alike.isEmpty()
                ? Sentence.of(
                        "No {0} whose conductors were followed is in this box.",
                        site.model().code())
                : Sentence.of(
                        "{0} in this box has {1} channels free with an input each; {2} wanted.",
                        site.model().code(),
                        alike.stream()
                                .mapToInt(module -> module.free().size())
                                .max()
                                .orElse(0),
                        site.positions().size());
    }

    /** Two plans of one run must not both use a module that is in place: what hangs on it is judged as one. */
    public static Finding claimedTwice(ModuleInPlace module, Site one, Site other) {
        return Finding.of(
                FindingCode.CLAIMED_TWICE,
                new Subject.Together(
                        new Subject.Box(module.place().label()),
                        new Subject.Model(module.model().code())),
                Sentence.of(
                        "{0} and {1} are each given to {2} in {3} by a pick of its own.",
                        one.positions().get(0).words(),
                        other.positions().get(0).words(),
                        module.model().code(),
                        module.place().label()),
                Source.COMPUTED,
                new Remedy(Remedy.Kind.OTHER_MODULE, "take the two picks back and pick both gangs together"));
    }
}
