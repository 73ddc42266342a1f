package org.hiddenclerk.app.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.app.finding.FindingView;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.NodeId;
import org.hiddenclerk.core.electrical.Operations;
import org.hiddenclerk.core.electrical.TruthTable;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.BoxDrawing;
import org.hiddenclerk.core.wiring.BoxWiring;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.Move;
import org.hiddenclerk.core.wiring.PartsToAdd;
import org.hiddenclerk.core.wiring.TerminalTable;
import org.hiddenclerk.core.wiring.WiringPlan;

/** A plan with everything that is derived from it. */
record PlanView(long version, List<PickEntry> picks, Verdict verdict, boolean mayBeIssued, int states,
                List<FindingView> findings, DrawnWiring before, @MayBeAbsent DrawnWiring after,
                List<GangSetting> settings, List<PartsToAdd.Item> parts, List<Move> moves, List<Move> restore, @MayBeAbsent IssuedView issued) {

    /** A wiring as a drawing with its terminal table and every state of it. */
    record DrawnWiring(BoxDrawing drawing, List<TerminalTable.Line> terminals, List<LiveRow> rows) {
        static DrawnWiring of(BoxWiring wiring, HouseContext house, WiringPlan plan) {
            List<LiveRow> rows = new ArrayList<>();
            Map<SwitchingState, List<NodeId>> live = WiringCheck.liveNodes(plan.wiring());
            Map<SwitchingState, Map<String, SwitchingState>> after = Operations.of(plan.wiring());
            plan.proof().truthTable().forEach(row -> rows.add(new LiveRow(row.state().switches(),
                    row.state().channels(), row.loads(), row.modules(), row.shorts(),
                    live.getOrDefault(row.state(), List.of()).stream().map(NodeId::value).toList(),
                    after.getOrDefault(row.state(), Map.of()))));
            return new DrawnWiring(BoxDrawing.of(wiring, house), TerminalTable.of(wiring), rows);
        }
    }

    /** One switching state with the nodes that are live in it, and the state that follows each operation. */
    record LiveRow(Map<String, Integer> switches, Map<String, Integer> channels,
                   Map<String, TruthTable.LoadReading> loads, Map<String, TruthTable.ModuleReading> modules,
                   List<List<String>> shorts, List<String> live, Map<String, SwitchingState> after) {
    }

    /** How a gang's switch acts, and how else it could. */
    record GangSetting(int gang, String gangName, String moduleCode, InputBehaviour behaviour,
                       List<BehaviourView> possible) {
    }

    /** A behaviour with its words. */
    record BehaviourView(InputBehaviour behaviour, String label) {
    }

    private static List<GangSetting> settings(BoxWiring wiring) {
        List<GangSetting> settings = new ArrayList<>();
        for (Assignment module : wiring.modules()) {
            List<BehaviourView> possible = module.model().behaviours().stream().sorted()
                    .map(b -> new BehaviourView(b, b.label())).toList();
            module.gangs().forEach(gang -> settings.add(new GangSetting(gang, wiring.box().gang(gang).name(),
                    module.model().code(), module.behaviour(gang), possible)));
        }
        return settings;
    }

    /** The last plan issued, and whether it is still what the box is. */
    record IssuedView(String by, Instant at, int states, boolean current) {
    }

    static PlanView of(Boxes.Found found, PlanJudgement judgement, Optional<IssuedPlanRow> issued) {
        WiringPlan plan = judgement.plan();
        WiringPlan surveyed = plan.after().isPresent() ? WiringPlan.surveyed(found.house(), found.box()) : plan;
        Optional<BoxWiring> after = plan.after();
        return new PlanView(found.row().version(), Picks.fromRows(found.picks()), judgement.verdict(),
                judgement.mayBeIssued(), plan.proof().truthTable().size(),
                judgement.findings().stream().map(FindingView::of).toList(),
                DrawnWiring.of(plan.before(), found.house(), surveyed),
                after.map(wiring -> DrawnWiring.of(wiring, found.house(), plan)).orElse(null),
                after.map(PlanView::settings).orElse(List.of()),
                after.map(wiring -> PartsToAdd.of(plan.before(), wiring)).orElse(List.of()),
                after.map(wiring -> Move.between(plan.before(), wiring)).orElse(List.of()),
                after.map(wiring -> Move.between(wiring, plan.before())).orElse(List.of()),
                issued.map(row -> new IssuedView(row.issuedBy(), row.issuedAt(), row.states(),
                        row.boxVersion() == found.row().version())).orElse(null));
    }
}
