package org.hiddenclerk.app.stage.survey;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Role;

/** A surveyed box as it is sent, stored in snapshots and shown. */
public record SurveyDocument(
        @NotBlank @Size(max = 40) String label,
        @MayBeAbsent BoxKind kind,
        @NotNull @Valid Geometry geometry,
        @NotNull @Size(max = 6) List<@Valid @NotNull GangEntry> gangs,
        @NotNull @Size(max = 12) List<@Valid @NotNull LoadEntry> loads,
        @NotNull @Size(max = 12) List<@Valid @NotNull CableEntry> cables,
        @NotNull @Size(max = 24) List<@Valid @NotNull JumperEntry> jumpers,
        @MayBeAbsent @Size(max = 6) List<@Valid @NotNull ModuleEntry> modules) {
    public SurveyDocument {
        modules = modules == null || modules.isEmpty() ? null : List.copyOf(modules);
    }

    /** A box without a module in it. */
    public SurveyDocument(
            String label,
            BoxKind kind,
            Geometry geometry,
            List<GangEntry> gangs,
            List<LoadEntry> loads,
            List<CableEntry> cables,
            List<JumperEntry> jumpers) {
        this(label, kind, geometry, gangs, loads, cables, jumpers, null);
    }

    /** The same box with other cables. */
    public SurveyDocument with(List<CableEntry> otherCables) {
        return new SurveyDocument(label, kind, geometry, gangs, loads, otherCables, jumpers, modules);
    }

    /** Modules that are in the box already. */
    List<ModuleEntry> modulesInPlace() {
        return modules == null ? List.of() : modules;
    }

    /** A module that is in the box already: its outside in millimetres where it was measured, and what it draws while idle. */
    public record ModuleEntry(
            @NotBlank @Size(max = 40) String name,
            @MayBeAbsent @Valid OutsideEntry outside,
            @MayBeAbsent @DecimalMin("0") @DecimalMax("50") @Digits(integer = 2, fraction = 3) BigDecimal drawsWatts,
            @Min(0) @Max(8) int freeChannels) {}

    /** Outside of a module in millimetres, in any order. */
    public record OutsideEntry(
            @NotNull @DecimalMin("1") @DecimalMax("300") @Digits(integer = 3, fraction = 2) BigDecimal lengthMm,
            @NotNull @DecimalMin("1") @DecimalMax("300") @Digits(integer = 3, fraction = 2) BigDecimal widthMm,
            @NotNull @DecimalMin("1") @DecimalMax("300") @Digits(integer = 3, fraction = 2) BigDecimal thicknessMm) {}

    /**
     * Inside of the box in millimetres, the volume that is marked in it in cubic inches, and kinds of studs and hickeys in it.
     *
     * @param asUsual whether it was filled in as it usually is, and nobody has measured
     */
    public record Geometry(
            @NotNull @DecimalMin("10") @DecimalMax("1000") @Digits(integer = 4, fraction = 2) BigDecimal widthMm,
            @NotNull @DecimalMin("10") @DecimalMax("1000") @Digits(integer = 4, fraction = 2) BigDecimal heightMm,
            @NotNull @DecimalMin("5") @DecimalMax("300") @Digits(integer = 3, fraction = 2) BigDecimal depthMm,
            boolean metal,
            @MayBeAbsent @DecimalMin("1") @DecimalMax("999") @Digits(integer = 3, fraction = 2)
                    BigDecimal markedCubicInches,
            @MayBeAbsent Boolean round,
            @MayBeAbsent @Min(0) @Max(3) Integer supportFittings,
            @MayBeAbsent Boolean asUsual) {
        public Geometry {
            asUsual = Boolean.TRUE.equals(asUsual) ? Boolean.TRUE : null;
        }

        /** A box that was measured. */
        public Geometry(
                BigDecimal widthMm,
                BigDecimal heightMm,
                BigDecimal depthMm,
                boolean metal,
                BigDecimal markedCubicInches,
                Boolean round,
                Integer supportFittings) {
            this(widthMm, heightMm, depthMm, metal, markedCubicInches, round, supportFittings, null);
        }

        /** A box of which nobody said whether something is fastened in it. */
        public Geometry(
                BigDecimal widthMm,
                BigDecimal heightMm,
                BigDecimal depthMm,
                boolean metal,
                BigDecimal markedCubicInches,
                Boolean round) {
            this(widthMm, heightMm, depthMm, metal, markedCubicInches, round, null);
        }
    }

    /** One gang. */
    public record GangEntry(
            @Min(1) @Max(6) int number,
            @NotBlank @Size(max = 120) String name,
            @NotNull Mechanism mechanism,
            @NotNull @DecimalMin("1") @DecimalMax("100") @Digits(integer = 3, fraction = 2) BigDecimal depthMm,
            @NotBlank String circuit) {}

    /** One load, as typed; gang 0 for one that hangs in this box. */
    public record LoadEntry(
            @Min(1) @Max(12) int number,
            @NotBlank @Size(max = 120) String name,
            @NotBlank @Size(max = 200) String typed,
            int gang,
            boolean continuous,
            @MayBeAbsent @Valid DriveEntry drive) {}

    /** One direction of a motor. */
    public record DriveEntry(@NotBlank @Size(max = 120) String motor, @NotNull Drive.Direction direction) {}

    /** Where a cable goes. */
    public enum LeadsTo {
        SUPPLY,
        LOAD,
        LOAD_WITH_FEED,
        BOX
    }

    /**
     * One cable.
     *
     * @param asUsual whether it was filled in as it usually is, and nobody has looked
     */
    public record CableEntry(
            @NotBlank @Size(max = 40) @Pattern(regexp = "[A-Za-z0-9-]+") String name,
            @NotNull LeadsTo leadsTo,
            @MayBeAbsent String circuit,
            @MayBeAbsent Integer load,
            @MayBeAbsent String box,
            @MayBeAbsent @Size(max = 40) String farCable,
            @NotNull @DecimalMin("0.5") @DecimalMax("25") @Digits(integer = 2, fraction = 2) BigDecimal mm2,
            @NotNull @Size(min = 1, max = 7) List<@Valid @NotNull CoreEntry> cores,
            @MayBeAbsent Boolean asUsual) {
        public CableEntry {
            box = box == null || box.isEmpty() ? null : box;
            farCable = box == null ? null : farCable;
            asUsual = Boolean.TRUE.equals(asUsual) ? Boolean.TRUE : null;
        }

        /** A cable that somebody has looked at. */
        public CableEntry(
                String name,
                LeadsTo leadsTo,
                String circuit,
                Integer load,
                String box,
                String farCable,
                BigDecimal mm2,
                List<CoreEntry> cores) {
            this(name, leadsTo, circuit, load, box, farCable, mm2, cores, null);
        }
    }

    /** One core; {@code load} where it is the switched live of another load than the one that its cable is named after. */
    public record CoreEntry(
            @Min(1) @Max(7) int number,
            @NotNull CoreColour colour,
            @MayBeAbsent CoreColour sleeve,
            @NotNull Role role,
            @NotNull @Valid EndEntry end,
            @MayBeAbsent Integer load) {}

    /** Kinds of ends in a surveyed box. */
    public enum EndKind {
        MECHANISM,
        LOAD,
        MODULE,
        CONNECTOR,
        CAPPED,
        LOOSE
    }

    /** Where a conductor ends; modules that are in the box are numbered from 1 as they are listed. */
    public record EndEntry(
            @NotNull EndKind at,
            @MayBeAbsent Integer gang,
            @MayBeAbsent @Size(max = 20) String terminal,
            @MayBeAbsent @Size(max = 40) String connector,
            @MayBeAbsent Integer load,
            @MayBeAbsent Integer module) {
        /** On no module that is in the box. */
        public EndEntry(EndKind at, Integer gang, String terminal, String connector, Integer load) {
            this(at, gang, terminal, connector, load, null);
        }
    }

    /** A piece of wire in the box. */
    public record JumperEntry(
            @NotBlank @Size(max = 40) @Pattern(regexp = "[A-Za-z0-9-]+") String key,
            @NotNull CoreColour colour,
            @NotNull @Valid EndEntry from,
            @NotNull @Valid EndEntry to) {}
}
