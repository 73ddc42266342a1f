package org.hiddenclerk.app.stage.survey;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.SurveyProblem;
import org.hiddenclerk.core.job.SurveyRules;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** Reads a survey document into a box of the core, or says all that is wrong with it. */
public final class SurveyReader {
    private final SurveyDocument document;
    private final HouseContext house;
    private final List<FieldProblem> problems = new ArrayList<>();

    private SurveyReader(SurveyDocument document, HouseContext house) {
        this.document = document;
        this.house = house;
    }

    /**
     * Reads what somebody enters.
     *
     * @param house circuits of the job, and what is known of modules that are found in its boxes
     * @throws ProblemException with every problem and its pointer
     */
    public static Box read(SurveyDocument document, HouseContext house) {
        SurveyReader reader = new SurveyReader(document, house);
        Box box = reader.box();
        SurveyRules.unknownTerminalsOf(box).forEach(reader::report);
        return reader.checked(box);
    }

    /**
     * Reads what is kept: a module on which conductors were entered may not be in the stock book any more.
     *
     * @throws ProblemException with every problem and its pointer
     */
    public static Box readKept(SurveyDocument document, HouseContext house) {
        SurveyReader reader = new SurveyReader(document, house);
        return reader.checked(reader.box());
    }

    private Box checked(Box box) {
        if (problems.isEmpty()) {
            SurveyRules.problemsOf(box, house.circuits().keySet()).forEach(this::report);
        }
        if (!problems.isEmpty()) {
            throw ProblemException.content("The survey cannot be kept like this", problems);
        }
        return box;
    }

    private void report(SurveyProblem problem) {
        report(problem.pointer(), problem.found(), problem.expected());
    }

    private Box box() {
        SurveyDocument.Geometry geometry = document.geometry();
        return new Box(
                document.label(),
                document.kind() == null ? BoxKind.WALL : document.kind(),
                Optional.ofNullable(
                        Boolean.TRUE.equals(geometry.asUsual())
                                ? null
                                : new BoxGeometry(
                                        Millimetres.of(geometry.widthMm()),
                                        Millimetres.of(geometry.heightMm()),
                                        Millimetres.of(geometry.depthMm()),
                                        geometry.metal(),
                                        Optional.ofNullable(geometry.markedCubicInches()),
                                        Boolean.TRUE.equals(geometry.round()),
                                        geometry.supportFittings() == null
                                                ? OptionalInt.empty()
                                                : OptionalInt.of(geometry.supportFittings()))),
                document.gangs().stream()
                        .map(g -> new Gang(
                                g.number(),
                                g.name(),
                                g.mechanism(),
                                Millimetres.of(g.depthMm()),
                                new CircuitId(g.circuit())))
                        .toList(),
                loads(),
                cables(),
                jumpers(),
                modules());
    }

    private List<SurveyedModule> modules() {
        List<SurveyedModule> modules = new ArrayList<>();
        document.modulesInPlace().forEach(entry -> modules.add(module(modules.size() + 1, entry)));
        return modules;
    }

    private SurveyedModule module(int number, SurveyDocument.ModuleEntry entry) {
        Optional<SurveyedModule.Size> size = Optional.ofNullable(entry.outside())
                .map(outside -> {
                    List<Millimetres> sides = Stream.of(outside.lengthMm(), outside.widthMm(), outside.thicknessMm())
                            .map(Millimetres::of)
                            .sorted(Comparator.reverseOrder())
                            .toList();
                    return new SurveyedModule.Size(sides.get(0), sides.get(1), sides.get(2));
                });
        return new SurveyedModule(
                number,
                entry.name(),
                size,
                Optional.ofNullable(entry.drawsWatts()).map(Watts::of),
                entry.freeChannels(),
                house.known(entry.name()));
    }

    private List<SurveyedLoad> loads() {
        List<SurveyedLoad> loads = new ArrayList<>();
        for (int i = 0; i < document.loads().size(); i++) {
            SurveyDocument.LoadEntry load = document.loads().get(i);
            List<LoadBank> banks = List.of();
            LoadText.Outcome outcome = LoadText.read(load.typed());
            if (outcome instanceof LoadText.Understood understood) {
                banks = understood.banks();
            } else if (outcome instanceof LoadText.NotUnderstood not) {
                report("/loads/" + i + "/typed", not.found() + " (column " + (not.column() + 1) + ")", not.expected());
            }
            loads.add(new SurveyedLoad(
                    load.number(),
                    load.name(),
                    load.typed(),
                    banks,
                    load.gang(),
                    load.continuous(),
                    Optional.ofNullable(load.drive()).map(d -> new Drive(d.motor(), d.direction()))));
        }
        return loads;
    }

    private List<Cable> cables() {
        List<Cable> cables = new ArrayList<>();
        for (int i = 0; i < document.cables().size(); i++) {
            SurveyDocument.CableEntry cable = document.cables().get(i);
            String at = "/cables/" + i;
            List<Core> cores = new ArrayList<>();
            for (int c = 0; c < cable.cores().size(); c++) {
                SurveyDocument.CoreEntry core = cable.cores().get(c);
                cores.add(new Core(
                        core.number(),
                        core.colour(),
                        Optional.ofNullable(core.sleeve()),
                        core.role(),
                        end(core.end(), at + "/cores/" + c + "/end")));
            }
            leads(cable, at)
                    .ifPresent(leads -> cables.add(
                            new Cable(cable.name(), leads, cable.mm2(), cores, Boolean.TRUE.equals(cable.asUsual()))));
        }
        return cables;
    }

    private Optional<Leads> leads(SurveyDocument.CableEntry cable, String at) {
        boolean toBox = cable.leadsTo() == SurveyDocument.LeadsTo.BOX;
        boolean needsCircuit = !toBox && cable.leadsTo() != SurveyDocument.LeadsTo.LOAD;
        boolean needsLoad = !toBox && cable.leadsTo() != SurveyDocument.LeadsTo.SUPPLY;
        if (toBox && cable.box() != null && cable.farCable() == null) {
            report(at + "/farCable", "nothing", "what this cable is called in the box that it leads to");
            return Optional.empty();
        }
        if (needsCircuit && cable.circuit() == null) {
            report(at + "/circuit", "nothing", "the circuit that comes with it");
        }
        if (needsLoad && cable.load() == null) {
            report(at + "/load", "nothing", "the number of the load it goes to");
        }
        if (needsCircuit && cable.circuit() == null || needsLoad && cable.load() == null) {
            return Optional.empty();
        }
        return Optional.of(
                switch (cable.leadsTo()) {
                    case SUPPLY -> new Leads.FromSupply(new CircuitId(cable.circuit()));
                    case LOAD -> new Leads.ToLoad(cable.load(), branches(cable));
                    case LOAD_WITH_FEED ->
                        new Leads.ToLoadWithFeed(cable.load(), new CircuitId(cable.circuit()), branches(cable));
                    case BOX ->
                        new Leads.ToBox(
                                Objects.requireNonNullElse(cable.box(), ""),
                                Objects.requireNonNullElse(cable.farCable(), ""));
                });
    }

    private static List<Leads.Branch> branches(SurveyDocument.CableEntry cable) {
        return cable.cores().stream()
                .filter(core -> core.load() != null && !core.load().equals(cable.load()))
                .map(core -> new Leads.Branch(core.number(), core.load()))
                .toList();
    }

    private List<Jumper> jumpers() {
        List<Jumper> jumpers = new ArrayList<>();
        for (int i = 0; i < document.jumpers().size(); i++) {
            SurveyDocument.JumperEntry jumper = document.jumpers().get(i);
            End from = end(jumper.from(), "/jumpers/" + i + "/from");
            End to = end(jumper.to(), "/jumpers/" + i + "/to");
            boolean fixed = isPlace(from) && isPlace(to);
            if (!fixed) {
                report("/jumpers/" + i, "an end in the air", "a terminal or connector at both ends");
            }
            jumpers.add(new Jumper(jumper.key(), jumper.colour(), from, to));
        }
        return jumpers;
    }

    private static boolean isPlace(End end) {
        return !(end instanceof End.Capped) && !(end instanceof End.Loose);
    }

    private End end(SurveyDocument.EndEntry end, String at) {
        return switch (end.at()) {
            case MECHANISM -> {
                if (end.gang() == null || end.terminal() == null) {
                    report(at, "no gang or terminal", "a gang and one of its terminals");
                    yield new End.Loose();
                }
                yield new End.AtMechanism(end.gang(), end.terminal());
            }
            case LOAD -> {
                if (end.load() == null || end.terminal() == null) {
                    report(at, "no load or terminal", "a load that hangs here and one of its terminals");
                    yield new End.Loose();
                }
                yield new End.AtLoad(end.load(), end.terminal());
            }
            case MODULE -> {
                if (end.module() == null || end.terminal() == null) {
                    report(at, "no module or terminal", "a module that is in this box and one of its terminals");
                    yield new End.Loose();
                }
                yield new End.AtModule(end.module(), end.terminal());
            }
            case CONNECTOR -> {
                if (end.connector() == null || end.connector().isBlank()) {
                    report(at + "/connector", "nothing", "the name of the connector");
                    yield new End.Loose();
                }
                yield new End.InConnector(end.connector());
            }
            case CAPPED -> new End.Capped();
            case LOOSE -> new End.Loose();
        };
    }

    private void report(String pointer, String found, String expected) {
        problems.add(new FieldProblem(pointer, found, expected));
    }
}
