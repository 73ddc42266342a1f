package org.hiddenclerk.app.stage.survey;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.hiddenclerk.app.stage.survey.SurveyDocument.CableEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.CoreEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.DriveEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.EndEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.EndKind;
import org.hiddenclerk.app.stage.survey.SurveyDocument.GangEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.Geometry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.JumperEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.LeadsTo;
import org.hiddenclerk.app.stage.survey.SurveyDocument.LoadEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.ModuleEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.OutsideEntry;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Role;
import org.jspecify.annotations.Nullable;

/**
 * Reads a box from lines of plain text, typed or pasted ({@link BoxTextWriter} writes them): a line each for the box, its switches, loads, cables and jumpers, and
 * an indented line for each core. See docs/formats/box-text.md.
 */
final class BoxText {
    private static final Pattern SIZE = Pattern.compile("([0-9.]+)x([0-9.]+)x([0-9.]+)");
    private static final Pattern ON_GANG = Pattern.compile("(\\d)\\.(\\S+)");
    private static final Pattern ON_MODULE = Pattern.compile("module(\\d+)\\.(\\S+)");
    private static final Pattern ON_LOAD = Pattern.compile("load(\\d+)\\.(\\S+)");
    private static final int MOST_LINES = 200;
    private final Map<String, String> circuits;
    private final Map<String, String> boxes;
    private final List<BoxTextLine.TextProblem> problems = new ArrayList<>();
    private final Map<String, Integer> lineOf = new LinkedHashMap<>();
    private final List<GangEntry> gangs = new ArrayList<>();
    private final List<LoadEntry> loads = new ArrayList<>();
    private final List<CableEntry> cables = new ArrayList<>();
    private final List<JumperEntry> jumpers = new ArrayList<>();
    private final List<ModuleEntry> modules = new ArrayList<>();
    private String label = "";
    private BoxKind kind = BoxKind.WALL;
    private @Nullable Geometry geometry;

    /** What was read: a survey, or the places that stand against it. */
    record Read(@Nullable SurveyDocument survey, List<BoxTextLine.TextProblem> problems, Map<String, Integer> lineOf) {

        /** The line of what a pointer names, or of what holds it; the first line where none does. */
        int line(String pointer) {
            String at = pointer;
            while (!at.isEmpty() && !lineOf.containsKey(at)) {
                at = at.substring(0, at.lastIndexOf('/'));
            }
            return lineOf.getOrDefault(at, 1);
        }
    }

    private BoxText(Map<String, String> circuits, Map<String, String> boxes) {
        this.circuits = circuits;
        this.boxes = boxes;
    }

    /**
     * Reads a box.
     *
     * @param circuits ids by label
     * @param boxes    ids of other boxes by label
     */
    static Read read(String text, Map<String, String> circuits, Map<String, String> boxes) {
        return new BoxText(circuits, boxes).read(text);
    }

    private Read read(String text) {
        List<String> lines = text.lines().toList();
        if (lines.size() > MOST_LINES) {
            return new Read(
                    null,
                    List.of(new BoxTextLine.TextProblem(
                            MOST_LINES, 1, lines.size() + " lines", "at most " + MOST_LINES + " lines")),
                    Map.of());
        }
        for (int i = 0; i < lines.size(); i++) {
            BoxTextLine line = new BoxTextLine(i + 1, lines.get(i));
            if (line.hasMore()) {
                try {
                    line(line, Character.isWhitespace(lines.get(i).charAt(0)));
                    remember(i + 1);
                } catch (BoxTextLine.Unreadable e) {
                    problems.add(e.problem());
                }
            }
        }
        if (geometry == null && problems.isEmpty()) {
            problems.add(new BoxTextLine.TextProblem(1, 1, "no box", "a line such as: box B-31 wall 60x60x47"));
        }
        return problems.isEmpty() && geometry != null
                ? new Read(
                        new SurveyDocument(label, kind, geometry, gangs, loads, cables, jumpers, modules),
                        List.of(),
                        lineOf)
                : new Read(null, problems, lineOf);
    }

    /** The line on which what was read last stands, by the pointer that it has in the survey. */
    private void remember(int line) {
        lineOf.putIfAbsent("/gangs/" + (gangs.size() - 1), line);
        lineOf.putIfAbsent("/loads/" + (loads.size() - 1), line);
        lineOf.putIfAbsent("/jumpers/" + (jumpers.size() - 1), line);
        lineOf.putIfAbsent("/modules/" + (modules.size() - 1), line);
        int cable = cables.size() - 1;
        lineOf.putIfAbsent("/cables/" + cable, line);
        lineOf.putIfAbsent(
                "/cables/" + cable + "/cores/"
                        + (cable < 0 ? -1 : cables.get(cable).cores().size() - 1),
                line);
    }

    private void line(BoxTextLine line, boolean indented) {
        if (indented) {
            core(line);
            return;
        }
        switch (line.next("box, switch, load, cable or jumper")) {
            case "box" -> box(line);
            case "switch" -> gang(line);
            case "load" -> load(line);
            case "cable" -> cable(line);
            case "module" -> module(line);
            case "jumper" ->
                jumpers.add(new JumperEntry(
                        line.next("a key"), line.oneOf(CoreColour.class, "a colour"), end(line), end(line)));
            default -> throw line.wrong("box, switch, load, module, cable or jumper");
        }
        line.ends();
    }

    private void box(BoxTextLine line) {
        label = line.next("a label");
        kind = line.oneOf(BoxKind.class, "a kind of box");
        Matcher size = SIZE.matcher(line.next("inside measures such as 60x60x47"));
        if (!size.matches()) {
            throw line.wrong("inside measures in mm such as 60x60x47");
        }
        geometry = new Geometry(
                new BigDecimal(size.group(1)),
                new BigDecimal(size.group(2)),
                new BigDecimal(size.group(3)),
                line.takes("metal"),
                line.takes("marked") ? line.number("the volume marked in the box, in cubic inches") : null,
                line.takes("round") ? Boolean.TRUE : null,
                line.takes("studs") ? line.whole("kinds of studs and hickeys in the box") : null,
                line.takes(BoxNotation.AS_USUAL));
    }

    private void gang(BoxTextLine line) {
        int number = line.whole("the number of the gang");
        Mechanism mechanism = line.oneOf(Mechanism.class, "a mechanism");
        String name = line.next("a name");
        line.wants("circuit");
        String circuit = line.named(circuits, "a circuit of this job");
        line.wants("depth");
        gangs.add(new GangEntry(number, name, mechanism, line.number("the depth of the mechanism in mm"), circuit));
    }

    private void load(BoxTextLine line) {
        int number = line.whole("the number of the load");
        String name = line.next("a name");
        int gang = 0;
        if (!line.takes("here")) {
            line.wants("on");
            gang = line.whole("the number of a gang");
        }
        boolean continuous = line.takes("continuous");
        DriveEntry drive = line.takes("drives")
                ? new DriveEntry(line.next("a motor"), line.oneOf(Drive.Direction.class, "up or down"))
                : null;
        line.wants("is");
        String typed = line.rest();
        if (typed.isEmpty()) {
            throw line.nothing("what it is, such as 3x2 LED 7");
        }
        loads.add(new LoadEntry(number, name, typed, gang, continuous, drive));
    }

    private void module(BoxTextLine line) {
        String name = line.next("what stands on it");
        OutsideEntry outside = null;
        if (line.takes("measures")) {
            Matcher size = SIZE.matcher(line.next("its outside in mm such as 42x38x15"));
            if (!size.matches()) {
                throw line.wrong("its outside in mm such as 42x38x15");
            }
            outside = new OutsideEntry(
                    new BigDecimal(size.group(1)), new BigDecimal(size.group(2)), new BigDecimal(size.group(3)));
        }
        BigDecimal draws = line.takes("draws") ? line.number("what it draws while idle, in W") : null;
        modules.add(new ModuleEntry(
                name, outside, draws, line.takes("free") ? line.whole("how many of its channels are free") : 0));
    }

    private void cable(BoxTextLine line) {
        String name = line.next("a name");
        BigDecimal mm2 = line.number("the size in mm²");
        switch (line.next("feed, lamp, loop or to")) {
            case "feed" ->
                add(line, name, LeadsTo.SUPPLY, line.named(circuits, "a circuit of this job"), null, null, null, mm2);
            case "lamp" -> add(line, name, LeadsTo.LOAD, null, line.whole("the number of a load"), null, null, mm2);
            case "loop" -> {
                int load = line.whole("the number of a load");
                line.wants("circuit");
                String circuit = line.named(circuits, "a circuit of this job");
                add(line, name, LeadsTo.LOAD_WITH_FEED, circuit, load, null, null, mm2);
            }
            case "to" -> {
                boolean known = !line.takes(BoxNotation.UNKNOWN);
                String box = known ? line.named(boxes, "a box of this house, or ? where it is not known") : null;
                add(line, name, LeadsTo.BOX, null, null, box, known ? line.next("its cable there") : null, mm2);
            }
            default -> throw line.wrong("feed, lamp, loop or to");
        }
    }

    private void add(
            BoxTextLine line,
            String name,
            LeadsTo leadsTo,
            @Nullable String circuit,
            @Nullable Integer load,
            @Nullable String box,
            @Nullable String farCable,
            BigDecimal mm2) {
        cables.add(new CableEntry(
                name, leadsTo, circuit, load, box, farCable, mm2, new ArrayList<>(), line.takes(BoxNotation.AS_USUAL)));
    }

    private void core(BoxTextLine line) {
        if (cables.isEmpty()) {
            line.next("a core");
            throw line.wrong("a cable before its cores");
        }
        String colours = line.next("a colour");
        CoreColour colour = colour(line, colours.split("/")[0]);
        CoreColour sleeve = colours.contains("/") ? colour(line, colours.substring(colours.indexOf('/') + 1)) : null;
        Role role = BoxNotation.ROLES.get(line.next("what it does"));
        if (role == null) {
            throw line.wrong("what it does: "
                    + String.join(
                            ", ", BoxNotation.ROLES.keySet().stream().sorted().toList()));
        }
        List<CoreEntry> cores = cables.get(cables.size() - 1).cores();
        cores.add(new CoreEntry(
                cores.size() + 1,
                colour,
                sleeve,
                role,
                end(line),
                line.takes("of") ? Integer.valueOf(line.whole("the number of a load")) : null));
        line.ends();
    }

    private static CoreColour colour(BoxTextLine line, String word) {
        return Arrays.stream(CoreColour.values())
                .filter(c -> c.words().equals(word))
                .findFirst()
                .orElseThrow(() -> line.wrong("a colour: "
                        + String.join(
                                ", ",
                                Arrays.stream(CoreColour.values())
                                        .map(CoreColour::words)
                                        .toList())));
    }

    private static EndEntry end(BoxTextLine line) {
        String text = line.next("where it ends");
        Matcher gang = ON_GANG.matcher(text);
        Matcher load = ON_LOAD.matcher(text);
        if (gang.matches()) {
            return new EndEntry(EndKind.MECHANISM, Integer.valueOf(gang.group(1)), gang.group(2), null, null);
        }
        if (load.matches()) {
            return new EndEntry(EndKind.LOAD, null, load.group(2), null, Integer.valueOf(load.group(1)));
        }
        Matcher module = ON_MODULE.matcher(text);
        if (module.matches()) {
            return new EndEntry(EndKind.MODULE, null, module.group(2), null, null, Integer.valueOf(module.group(1)));
        }
        if (text.startsWith(BoxNotation.JOINT) && text.length() > BoxNotation.JOINT.length()) {
            return new EndEntry(EndKind.CONNECTOR, null, null, text.substring(BoxNotation.JOINT.length()), null);
        }
        return switch (text) {
            case "capped" -> new EndEntry(EndKind.CAPPED, null, null, null, null);
            case "loose" -> new EndEntry(EndKind.LOOSE, null, null, null, null);
            default -> throw line.wrong("where it ends: 1.COM, load1.L, module1.N, joint:name, capped or loose");
        };
    }
}
