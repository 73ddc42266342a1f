package org.hiddenclerk.core.matching.house;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.house.EquivalenceClass.Case;
import org.hiddenclerk.core.matching.house.EquivalenceClass.Member;
import org.hiddenclerk.core.matching.house.HouseMemory.RuleOutcome;
import org.hiddenclerk.core.matching.module.AtTheWall;
import org.hiddenclerk.core.matching.module.Dimming;
import org.hiddenclerk.core.matching.module.InTheWay;
import org.hiddenclerk.core.matching.module.ModuleLoads;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.Suitability;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.matching.module.Wish;
import org.hiddenclerk.core.matching.module.WishCheck;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * Every module of a stock book judged for every position of a house, in every scheme. The verdicts are those of
 * {@link ModuleMatch}, rule for rule; what many positions or many modules share is judged once.
 *
 * <p>Cost: a plan and its proof for each kind of run, scheme and way in which modules are wired; beyond that a few look-ups for
 * each position and module.
 */
public final class HouseMatch {
    /** Gangs that one module of the stock book may take. */
    private static final int MOST_CHANNELS = 4;

    private final HouseSurvey survey;
    private final HouseMemory memory;
    private final List<ModuleModel> models;
    private final Terms terms;
    private final Shapes shapes;

    public HouseMatch(HouseSurvey survey, List<ModuleModel> models, Terms terms) {
        this(survey, new HouseMemory(models, terms, survey.house().region()));
    }

    /** @param memory what was judged before; made for the region of this house */
    public HouseMatch(HouseSurvey survey, HouseMemory memory) {
        if (memory.region() != survey.house().region()) {
            throw new IllegalArgumentException("The memory (" + memory.region() + ") must be of the house's region ("
                    + survey.house().region() + ").");
        }
        this.survey = survey;
        this.memory = memory;
        models = memory.models();
        terms = memory.terms();
        shapes = memory.shapes();
    }

    /**
     * Everything judged.
     *
     * @param units    what there is to settle, in the order of the boxes
     * @param cells    the verdict of every position and module in every scheme that applies
     * @param refusals schemes that do not apply to a position with some modules
     * @param mute     switches that change nothing that is surveyed, in words
     */
    public record Result(List<Unit> units, List<Cell> cells, List<Refusal> refusals, List<String> mute) {
        public Result {
            units = List.copyOf(units);
            cells = Collections.unmodifiableList(cells);
            refusals = Collections.unmodifiableList(refusals);
            mute = List.copyOf(mute);
        }

        /** The one reason that matters at each position where no module passes by itself. */
        public Map<Unit, InTheWay> inTheWay() {
            Map<Unit, List<InTheWay.Way>> ways = new LinkedHashMap<>();
            cells.stream().filter(cell -> cell.units().size() == 1).forEach(cell -> ways.computeIfAbsent(
                            cell.units().get(0), u -> new ArrayList<>())
                    .add(new InTheWay.Way(cell.model().code(), true, cell.codes())));
            refusals.stream().filter(refusal -> refusal.units().size() == 1).forEach(refusal -> refusal.models()
                    .forEach(model -> ways.computeIfAbsent(refusal.units().get(0), u -> new ArrayList<>())
                            .add(new InTheWay.Way(model.code(), false, refusal.codes()))));
            Map<Unit, InTheWay> reasons = new LinkedHashMap<>();
            ways.forEach((unit, own) -> InTheWay.of(own).ifPresent(reason -> reasons.put(unit, reason)));
            return reasons;
        }

        /** What may be chosen, numbered. */
        public List<HouseOption> options() {
            List<HouseOption> options = new ArrayList<>();
            cells.stream()
                    .filter(cell -> cell.verdict() == Verdict.OK)
                    .forEach(cell -> options.add(cell.option(options.size())));
            return options;
        }
    }

    /** One module at one position in one scheme that applies. */
    public static final class Cell {
        private final VerdictTable.Row row;
        private final int module;

        Cell(VerdictTable.Row row, int module) {
            this.row = row;
            this.module = module;
        }

        public List<Unit> units() {
            return row.position().group().units();
        }

        public String lead() {
            return row.position().member().lead();
        }

        /** What goes behind the other switches, where that is another model. */
        public Optional<ModuleModel> companion() {
            return row.position().drawn().companion();
        }

        public SchemeCode scheme() {
            return row.position().drawn().scheme();
        }

        public ModuleModel model() {
            return row.model(module);
        }

        public Verdict verdict() {
            return row.verdict(module);
        }

        /** Everything found, notes too. */
        public Set<FindingCode> codes() {
            return row.codes(module);
        }

        /** The option that it is, for choosing. */
        private HouseOption option(int number) {
            VerdictTable.Position position = row.position();
            Case drawn = position.drawn();
            ModuleModel model = model();
            List<String> boxes = position.member().boxes();
            List<HouseOption.Fitting> fitted = drawn.fitted().stream()
                    .map(fit -> new HouseOption.Fitting(
                            fit.box() < 0 ? "" : boxes.get(fit.box()),
                            fit.own() ? model : drawn.companion().orElse(model),
                            fit.links()))
                    .toList();
            int missed = position.wishes().isEmpty()
                    ? 0
                    : (int) HouseMatch.wishes(position.wishes(), model, drawn).stream()
                            .filter(f -> f.severity() == Severity.NOTE)
                            .count();
            return new HouseOption(
                    number,
                    units(),
                    lead(),
                    position.group().gangs(),
                    position.group().loads(),
                    drawn.scheme(),
                    model,
                    drawn.companion(),
                    fitted,
                    drawn.opened().stream().filter(i -> i >= 0).map(boxes::get).toList(),
                    drawn.minutes(),
                    drawn.exchanged(),
                    drawn.silent(),
                    drawn.isCut(),
                    missed,
                    drawn.codes().contains(FindingCode.NEUTRAL_PREFERRED) ? 1 : 0,
                    drawn.assignment().bypass(),
                    drawn.assignment().bypass().isPresent()
                            ? position.group().gangs().size()
                            : 0);
        }

        @Override
        public String toString() {
            return lead() + " " + scheme() + " " + model().code()
                    + companion().map(other -> " with " + other.code()).orElse("") + " " + verdict() + " " + codes();
        }
    }

    /** A scheme that does not apply, whatever else these modules are. */
    public record Refusal(
            List<Unit> units, String lead, SchemeCode scheme, List<ModuleModel> models, Set<FindingCode> codes) {}

    /** Judges everything; kinds of runs beside each other on the processors that there are. */
    public Result match() {
        return match(true);
    }

    /** The same in this thread alone, for work that nobody waits for. */
    public Result matchBehind() {
        return match(false);
    }

    private Result match(boolean onAllProcessors) {
        Map<String, EquivalenceClass> classes = new HashMap<>();
        Map<Member, EquivalenceClass> leads = new LinkedHashMap<>();
        for (String id : survey.boxes().keySet()) {
            WiringSignature.Key key = WiringSignature.of(
                    survey.house(),
                    ConnectedBoxes.of(survey.boxes(), id, survey.house().region()));
            EquivalenceClass twins = classes.computeIfAbsent(key.text(), k -> new EquivalenceClass(survey, memory, k));
            Member member = new Member(id, key.boxes(), key.draws());
            twins.add(member);
            leads.put(member, twins);
        }
        List<String> mute = new ArrayList<>();
        Units units = new Units(survey, mute);
        leads.forEach((member, twins) ->
                units.add(member.lead(), survey.boxes().get(member.lead()), twins.facts(), member.boxes()));
        List<Unit> all = units.all();
        List<Work> works = new ArrayList<>();
        leads.forEach((member, twins) ->
                units.groups(member.lead(), MOST_CHANNELS).forEach(group -> works.add(new Work(member, twins, group))));
        Stream<List<Work>> kinds = works.stream().collect(Collectors.groupingBy(work -> work.twins)).values().stream();
        (onAllProcessors ? kinds.parallel() : kinds).forEach(kind -> kind.forEach(this::judge));
        VerdictTable cells = new VerdictTable(
                works.stream().flatMap(work -> work.rows.stream()).toList());
        return new Result(
                all,
                cells,
                works.stream().flatMap(work -> work.refusals.stream()).toList(),
                mute);
    }

    /** What a lead may switch together, and what comes of it. */
    private static final class Work {
        private final Member member;
        private final EquivalenceClass twins;
        private final Units.Group group;
        /** By what goes where: many schemes fit the same. */
        private final Map<Object, FittedPlaces> places = new HashMap<>();

        private final List<VerdictTable.Row> rows = new ArrayList<>();
        private final List<Refusal> refusals = new ArrayList<>();

        private Work(Member member, EquivalenceClass twins, Units.Group group) {
            this.member = member;
            this.twins = twins;
            this.group = group;
        }
    }

    private void judge(Work work) {
        List<List<SurveyedLoad>> loads = work.twins.loadsOf(work.member, work.group.gangs(), work.group.loads());
        BigDecimal volts = work.twins.facts().volts();
        Switched together = new Switched(loads, volts, false);
        Switched each = new Switched(loads, volts, true);
        for (EquivalenceClass.Slot slot : work.twins.slots(work.group.gangs(), work.group.loads())) {
            Optional<Case> drawn = slot.sharedWith(work.member);
            if (drawn.isPresent()) {
                judge(work, drawn.get().assignment().isOneForEach() ? each : together, drawn.get(), slot.same());
            } else {
                slot.alone(work.member)
                        .forEach(alone -> judge(
                                work,
                                alone.drawn().assignment().isOneForEach() ? each : together,
                                alone.drawn(),
                                alone.same()));
            }
        }
    }

    /** What a group switches, with what each class of contacts makes of it and the heat of a contact, in watts. */
    private final class Switched {
        private final List<List<SurveyedLoad>> loads;
        private final BigDecimal volts;
        private final boolean each;
        private final double contactHeat;
        private final RuleOutcome[] contacts;
        private final List<RuleOutcome[]> channels = new ArrayList<>();

        /** @param each whether each position has a module of its own */
        private Switched(List<List<SurveyedLoad>> loads, BigDecimal volts, boolean each) {
            this.loads = loads;
            this.volts = volts;
            this.each = each;
            contactHeat = BoxHeat.contactHeat(loads, volts);
            List<List<TableKey.Carried>> keys =
                    loads.stream().map(TableKey.Carried::of).toList();
            contacts = memory.table(new TableKey.Contacts(each, volts, keys), models.size());
            for (int i = 0; i < keys.size(); i++) {
                channels.add(memory.table(new TableKey.Channel(each ? 0 : i, volts, keys.get(i)), models.size()));
            }
        }

        /** Fills in what the contacts of a module make of it; a channel that carries the same elsewhere is not judged again. */
        private void judge(int index) {
            int kind = shapes.contactsOf(index);
            if (contacts[kind] == null) {
                contacts[kind] = judged(shapes.model(index), kind);
            }
        }

        private RuleOutcome judged(ModuleModel model, int kind) {
            EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
            (each ? loads.stream().map(List::of).toList() : List.of(loads))
                    .forEach(own ->
                            codes.addAll(FindingCode.of(ModuleLoads.allChannels(model, ModuleMatch.SELF, own, volts)
                                    .findings())));
            for (int i = 0;
                    i
                            < (each
                                    ? loads.size()
                                    : Math.min(loads.size(), model.channels().size()));
                    i++) {
                List<SurveyedLoad> carried = loads.get(i);
                int channel = each ? 0 : i;
                codes.addAll(HouseMemory.entry(channels.get(i), kind, () -> ModuleLoads.channel(
                                        model,
                                        ModuleMatch.SELF,
                                        channel,
                                        carried,
                                        volts,
                                        survey.house().region(),
                                        terms.estimates())
                                .findings())
                        .codes());
            }
            return RuleOutcome.of(codes);
        }
    }

    private void judge(Work work, Switched switched, Case drawn, Shapes.Alike same) {
        if (!drawn.applies()) {
            work.refusals.add(
                    new Refusal(work.group.units(), work.member.lead(), drawn.scheme(), same.models(), drawn.codes()));
            return;
        }
        VerdictTable.Position position = new VerdictTable.Position(work.member, work.group, drawn, terms.wishes());
        List<List<SurveyedLoad>> loads = switched.loads;
        Box lead = survey.boxes().get(work.member.lead());
        FittedPlaces places = work.places.computeIfAbsent(
                List.of(drawn.fitted(), drawn.companion().map(ModuleModel::code)),
                k -> new FittedPlaces(survey, memory, work.member.boxes(), drawn));
        RuleOutcome[] suitable = memory.table(
                new TableKey.Suits(drawn.scheme(), drawn.exchanged() == 0, !drawn.silent()), models.size());
        RuleOutcome[] conductors = memory.table(new TableKey.Conductors(places.thickest()), models.size());
        boolean byRules = ModuleMatch.isByRules(drawn.scheme());
        boolean regulated = drawn.assignment().gangs().stream()
                .anyMatch(gang -> lead.gang(gang).mechanism() == Mechanism.DIMMER);
        VerdictTable.Row row = new VerdictTable.Row(
                position,
                shapes,
                same,
                RuleOutcome.of(drawn.codes()),
                places.isMetal(),
                new VerdictTable.Shared(
                        byRules ? switched.contacts : new RuleOutcome[0], suitable, conductors, places.rooms()));
        int[] indices = same.indices();
        for (int at = 0; at < indices.length; at++) {
            int index = indices[at];
            ModuleModel model = shapes.model(index);
            if (byRules) {
                switched.judge(index);
            }
            if (suitable[index] == null) {
                suitable[index] = RuleOutcome.of(suitability(model, drawn));
            }
            if (conductors[index] == null) {
                conductors[index] = RuleOutcome.of(Suitability.conductors(model, places.thickest()));
            }
            places.room(index);
            RuleOutcome dims = regulated || model.sheet().dims()
                    ? RuleOutcome.of(
                            Dimming.judge(model, lead, drawn.assignment().gangs(), loads))
                    : RuleOutcome.NOTHING;
            row.judge(at, places.warmth(index, switched.contactHeat), dims);
        }
        work.rows.add(row);
    }

    private List<Finding> suitability(ModuleModel model, Case drawn) {
        List<Finding> findings = new ArrayList<>(
                Suitability.of(model, drawn.scheme(), survey.house().region()));
        findings.addAll(wishes(terms.wishes(), model, drawn));
        return findings;
    }

    private static List<Finding> wishes(List<Wish> wishes, ModuleModel model, Case drawn) {
        return WishCheck.of(wishes, model, new AtTheWall(drawn.exchanged() == 0, !drawn.silent()));
    }
}
