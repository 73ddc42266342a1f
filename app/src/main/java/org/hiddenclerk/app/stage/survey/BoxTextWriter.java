package org.hiddenclerk.app.stage.survey;

import java.math.BigDecimal;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.app.stage.survey.SurveyDocument.EndEntry;
import org.hiddenclerk.app.stage.survey.SurveyDocument.Geometry;
import org.hiddenclerk.core.job.BoxKind;
import org.jspecify.annotations.Nullable;

/** Writes a box as lines of plain text, which {@link BoxText} reads. See docs/formats/box-text.md. */
final class BoxTextWriter {
    private BoxTextWriter() {}

    /** The lines of a survey; read again they give the same survey. */
    static String write(SurveyDocument survey, Map<String, String> circuits, Map<String, String> boxes) {
        StringBuilder text = new StringBuilder();
        Geometry size = survey.geometry();
        text.append("box ")
                .append(quoted(survey.label()))
                .append(' ')
                .append(BoxNotation.words(survey.kind() == null ? BoxKind.WALL : survey.kind()))
                .append(' ')
                .append(plain(size.widthMm()))
                .append('x')
                .append(plain(size.heightMm()))
                .append('x')
                .append(plain(size.depthMm()))
                .append(size.metal() ? " metal" : "")
                .append(Optional.ofNullable(size.markedCubicInches())
                        .map(volume -> " marked " + plain(volume))
                        .orElse(""))
                .append(Boolean.TRUE.equals(size.round()) ? " round" : "")
                .append(Optional.ofNullable(size.supportFittings())
                        .map(count -> " studs " + count)
                        .orElse(""))
                .append(asUsual(size.asUsual()))
                .append('\n');
        survey.gangs().forEach(gang -> text.append("switch ")
                .append(gang.number())
                .append(' ')
                .append(BoxNotation.words(gang.mechanism()))
                .append(' ')
                .append(quoted(gang.name()))
                .append(" circuit ")
                .append(quoted(labelOf(circuits, gang.circuit())))
                .append(" depth ")
                .append(plain(gang.depthMm()))
                .append('\n'));
        survey.loads().forEach(load -> text.append("load ")
                .append(load.number())
                .append(' ')
                .append(quoted(load.name()))
                .append(load.gang() == 0 ? " here" : " on " + load.gang())
                .append(load.continuous() ? " continuous" : "")
                .append(Optional.ofNullable(load.drive())
                        .map(d -> " drives " + quoted(d.motor()) + " " + BoxNotation.words(d.direction()))
                        .orElse(""))
                .append(" is ")
                .append(load.typed())
                .append('\n'));
        survey.modulesInPlace().forEach(module -> text.append("module ")
                .append(quoted(module.name()))
                .append(Optional.ofNullable(module.outside())
                        .map(outside -> " measures " + plain(outside.lengthMm()) + "x" + plain(outside.widthMm()) + "x"
                                + plain(outside.thicknessMm()))
                        .orElse(""))
                .append(Optional.ofNullable(module.drawsWatts())
                        .map(watts -> " draws " + plain(watts))
                        .orElse(""))
                .append(module.freeChannels() == 0 ? "" : " free " + module.freeChannels())
                .append('\n'));
        survey.cables().forEach(cable -> {
            text.append("cable ")
                    .append(cable.name())
                    .append(' ')
                    .append(plain(cable.mm2()))
                    .append(' ')
                    .append(
                            switch (cable.leadsTo()) {
                                case SUPPLY -> "feed " + quoted(labelOf(circuits, cable.circuit()));
                                case LOAD -> "lamp " + cable.load();
                                case LOAD_WITH_FEED ->
                                    "loop " + cable.load() + " circuit " + quoted(labelOf(circuits, cable.circuit()));
                                case BOX ->
                                    cable.box() == null
                                            ? "to " + BoxNotation.UNKNOWN
                                            : "to " + quoted(labelOf(boxes, cable.box())) + " " + cable.farCable();
                            })
                    .append(asUsual(cable.asUsual()))
                    .append('\n');
            cable.cores().forEach(core -> text.append("  ")
                    .append(core.colour().words())
                    .append(core.sleeve() == null ? "" : "/" + core.sleeve().words())
                    .append(' ')
                    .append(BoxNotation.ROLES.entrySet().stream()
                            .filter(e -> e.getValue() == core.role())
                            .findFirst()
                            .orElseThrow()
                            .getKey())
                    .append(' ')
                    .append(endText(core.end()))
                    .append(core.load() == null ? "" : " of " + core.load())
                    .append('\n'));
        });
        survey.jumpers().forEach(jumper -> text.append("jumper ")
                .append(jumper.key())
                .append(' ')
                .append(jumper.colour().words())
                .append(' ')
                .append(endText(jumper.from()))
                .append(' ')
                .append(endText(jumper.to()))
                .append('\n'));
        return text.toString();
    }

    private static String asUsual(@Nullable Boolean is) {
        return Boolean.TRUE.equals(is) ? " " + BoxNotation.AS_USUAL : "";
    }

    private static String labelOf(Map<String, String> idsByLabel, @Nullable String id) {
        return idsByLabel.entrySet().stream()
                .filter(e -> e.getValue().equals(id))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse("?");
    }

    private static String endText(EndEntry end) {
        return switch (end.at()) {
            case MECHANISM -> end.gang() + "." + end.terminal();
            case LOAD -> "load" + end.load() + "." + end.terminal();
            case MODULE -> "module" + end.module() + "." + end.terminal();
            case CONNECTOR -> quotedJoint(String.valueOf(end.connector()));
            case CAPPED -> "capped";
            case LOOSE -> "loose";
        };
    }

    private static String quotedJoint(String name) {
        return name.contains(" ") ? "\"" + BoxNotation.JOINT + name + "\"" : BoxNotation.JOINT + name;
    }

    private static String quoted(String text) {
        return text.matches("[^\\s\"#]+") ? text : "\"" + text + "\"";
    }

    private static String plain(BigDecimal value) {
        return value.stripTrailingZeros().toPlainString();
    }
}
