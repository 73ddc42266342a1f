package org.hiddenclerk.app.stage.survey;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.stage.survey.SurveyDocument.CableEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.CoreEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.EndEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.EndKind;
import org.hiddenclerk.app.stage.survey.SurveyDocument.GangEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.JumperEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.LoadEntry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.quantity.Millimetres;
import org.jspecify.annotations.Nullable;

/** Between the survey document and its rows, both ways and without loss. */
public final class SurveyMapping {
    private SurveyMapping() {}

    /** Writes a document that {@link SurveyReader} has accepted. */
    public static void write(SurveyDocument document, BoxRow row) {
        row.label = document.label();
        row.kind = document.kind() == null ? BoxKind.WALL : document.kind();
        row.widthUm = Millimetres.of(document.geometry().widthMm()).micrometres();
        row.heightUm = Millimetres.of(document.geometry().heightMm()).micrometres();
        row.depthUm = Millimetres.of(document.geometry().depthMm()).micrometres();
        row.metal = document.geometry().metal();
        row.markedCubicInches = document.geometry().markedCubicInches();
        row.supportFittings = document.geometry().supportFittings();
        row.roundOutline = Boolean.TRUE.equals(document.geometry().round());
        row.asUsual = Boolean.TRUE.equals(document.geometry().asUsual());
        replace(row.gangs, document.gangs().stream().map(SurveyMapping::gang).toList());
        replace(row.loads, document.loads().stream().map(SurveyMapping::load).toList());
        replace(row.cables, document.cables().stream().map(SurveyMapping::cable).toList());
        List<BoxRow.CorePart> cores = new ArrayList<>();
        document.cables().forEach(cable -> cable.cores().forEach(core -> cores.add(core(cable.name(), core))));
        replace(row.cores, cores);
        replace(
                row.jumpers,
                document.jumpers().stream().map(SurveyMapping::jumper).toList());
        row.modulesInPlace = document.modulesInPlace();
    }

    private static <T> void replace(List<T> stored, List<T> fresh) {
        stored.clear();
        stored.addAll(fresh);
    }

    private static BoxRow.GangPart gang(GangEntry entry) {
        BoxRow.GangPart part = new BoxRow.GangPart();
        part.name = entry.name();
        part.mechanism = entry.mechanism();
        part.depthUm = Millimetres.of(entry.depthMm()).micrometres();
        part.circuitId = UUID.fromString(entry.circuit());
        return part;
    }

    private static BoxRow.LoadPart load(LoadEntry entry) {
        BoxRow.LoadPart part = new BoxRow.LoadPart();
        part.number = entry.number();
        part.name = entry.name();
        part.typed = entry.typed();
        part.gang = entry.gang();
        part.continuous = entry.continuous();
        part.motor = entry.drive() == null ? null : entry.drive().motor();
        part.direction = entry.drive() == null ? null : entry.drive().direction();
        return part;
    }

    private static BoxRow.CablePart cable(CableEntry entry) {
        BoxRow.CablePart part = new BoxRow.CablePart();
        part.name = entry.name();
        part.leads = entry.leadsTo();
        boolean ofCircuit = entry.leadsTo() == SurveyDocument.LeadsTo.SUPPLY
                || entry.leadsTo() == SurveyDocument.LeadsTo.LOAD_WITH_FEED;
        boolean ofLoad = entry.leadsTo() == SurveyDocument.LeadsTo.LOAD
                || entry.leadsTo() == SurveyDocument.LeadsTo.LOAD_WITH_FEED;
        boolean ofBox = entry.leadsTo() == SurveyDocument.LeadsTo.BOX;
        part.circuitId = ofCircuit ? UUID.fromString(entry.circuit()) : null;
        part.loadNumber = ofLoad ? entry.load() : null;
        part.otherBox = ofBox && entry.box() != null ? UUID.fromString(entry.box()) : null;
        part.otherCable = ofBox ? entry.farCable() : null;
        part.mm2 = entry.mm2();
        part.asUsual = Boolean.TRUE.equals(entry.asUsual());
        return part;
    }

    private static BoxRow.CorePart core(String cable, CoreEntry entry) {
        BoxRow.CorePart part = new BoxRow.CorePart();
        part.cable = cable;
        part.number = entry.number();
        part.colour = entry.colour();
        part.sleeve = entry.sleeve();
        part.role = entry.role();
        part.endKey = key(entry.end());
        part.loadNumber = entry.load();
        return part;
    }

    private static BoxRow.JumperPart jumper(JumperEntry entry) {
        BoxRow.JumperPart part = new BoxRow.JumperPart();
        part.name = entry.key();
        part.colour = entry.colour();
        part.fromKey = key(entry.from());
        part.toKey = key(entry.to());
        return part;
    }

    public static SurveyDocument read(BoxRow row) {
        List<GangEntry> gangs = new ArrayList<>();
        for (int i = 0; i < row.gangs.size(); i++) {
            BoxRow.GangPart gang = row.gangs.get(i);
            gangs.add(new GangEntry(i + 1, gang.name, gang.mechanism, mm(gang.depthUm), gang.circuitId.toString()));
        }
        return new SurveyDocument(
                row.label,
                row.kind,
                new SurveyDocument.Geometry(
                        mm(row.widthUm),
                        mm(row.heightUm),
                        mm(row.depthUm),
                        row.metal,
                        plainOrNone(row.markedCubicInches),
                        row.roundOutline ? Boolean.TRUE : null,
                        row.supportFittings,
                        row.asUsual),
                gangs,
                row.loads.stream()
                        .map(l -> new LoadEntry(
                                l.number,
                                l.name,
                                l.typed,
                                l.gang,
                                l.continuous,
                                l.motor == null ? null : new SurveyDocument.DriveEntry(l.motor, l.direction)))
                        .toList(),
                row.cables.stream().map(cable -> cable(row, cable)).toList(),
                row.jumpers.stream()
                        .map(j -> new JumperEntry(j.name, j.colour, end(j.fromKey), end(j.toKey)))
                        .toList(),
                row.modulesInPlace);
    }

    private static CableEntry cable(BoxRow row, BoxRow.CablePart cable) {
        List<CoreEntry> cores = row.cores.stream()
                .filter(core -> core.cable.equals(cable.name))
                .map(core -> new CoreEntry(
                        core.number, core.colour, core.sleeve, core.role, end(core.endKey), core.loadNumber))
                .toList();
        return new CableEntry(
                cable.name,
                cable.leads,
                cable.circuitId == null ? null : cable.circuitId.toString(),
                cable.loadNumber,
                cable.otherBox == null ? null : cable.otherBox.toString(),
                cable.otherCable,
                plain(cable.mm2),
                cores,
                cable.asUsual);
    }

    /** A cable of the core as a document entry. */
    static CableEntry entry(Cable cable) {
        String circuit = null;
        Integer load = null;
        SurveyDocument.LeadsTo to = SurveyDocument.LeadsTo.LOAD;
        if (cable.leads() instanceof Leads.FromSupply feed) {
            to = SurveyDocument.LeadsTo.SUPPLY;
            circuit = feed.circuit().value();
        } else if (cable.leads() instanceof Leads.ToLoadWithFeed loop) {
            to = SurveyDocument.LeadsTo.LOAD_WITH_FEED;
            circuit = loop.circuit().value();
        } else if (cable.leads() instanceof Leads.ToBox) {
            to = SurveyDocument.LeadsTo.BOX;
        }
        Map<Integer, Integer> branches = new HashMap<>();
        if (cable.leads() instanceof Leads.ToPlaceOfLoads lamp) {
            load = lamp.load();
            lamp.branches().forEach(branch -> branches.put(branch.core(), branch.load()));
        }
        return new CableEntry(
                cable.name(),
                to,
                circuit,
                load,
                null,
                null,
                cable.mm2(),
                cable.cores().stream()
                        .map(core -> new CoreEntry(
                                core.number(),
                                core.colour(),
                                core.sleeve().orElse(null),
                                core.role(),
                                end(core.end().key()),
                                branches.get(core.number())))
                        .toList(),
                cable.assumed());
    }

    static JumperEntry entry(Jumper jumper) {
        return new JumperEntry(
                jumper.key(),
                jumper.colour(),
                end(jumper.from().key()),
                end(jumper.to().key()));
    }

    private static BigDecimal mm(long micrometres) {
        return new Millimetres(micrometres).asDecimal();
    }

    private static @Nullable BigDecimal plainOrNone(@Nullable BigDecimal value) {
        return value == null ? null : plain(value);
    }

    static BigDecimal plain(BigDecimal value) {
        BigDecimal stripped = value.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    private static String key(EndEntry end) {
        return switch (end.at()) {
            case MECHANISM -> "g" + end.gang() + "." + end.terminal();
            case LOAD -> "x" + end.load() + "." + end.terminal();
            case MODULE -> "m" + end.module() + "." + end.terminal();
            case CONNECTOR -> "j." + end.connector();
            case CAPPED -> "capped";
            case LOOSE -> "loose";
        };
    }

    private static EndEntry end(String key) {
        if (key.equals("capped")) {
            return new EndEntry(EndKind.CAPPED, null, null, null, null);
        }
        if (key.equals("loose")) {
            return new EndEntry(EndKind.LOOSE, null, null, null, null);
        }
        if (key.startsWith("j.")) {
            return new EndEntry(EndKind.CONNECTOR, null, null, key.substring(2), null);
        }
        int dot = key.indexOf('.');
        int number = Integer.parseInt(key.substring(1, dot));
        String terminal = key.substring(dot + 1);
        return switch (key.charAt(0)) {
            case 'x' -> new EndEntry(EndKind.LOAD, null, terminal, null, number);
            case 'm' -> new EndEntry(EndKind.MODULE, null, terminal, null, null, number);
            default -> new EndEntry(EndKind.MECHANISM, number, terminal, null, null);
        };
    }
}
