package org.hiddenclerk.app.stage.survey;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.SQLRestriction;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.jspecify.annotations.Nullable;

/** A box with its survey and the modules picked for it. The version guards every write. */
@Entity
@Table(name = "box")
@SQLRestriction("removed_at is null")
public class BoxRow {
    @Id
    private UUID id;

    @Version
    private long version;

    private UUID roomId;
    String label;

    @Enumerated(EnumType.STRING)
    BoxKind kind;

    long widthUm;
    long heightUm;
    long depthUm;
    boolean metal;
    boolean roundOutline;

    @Column(name = "marked_in3")
    BigDecimal markedCubicInches;

    @Nullable
    Integer supportFittings;

    @Convert(converter = ModulesInPlaceColumn.class)
    List<SurveyDocument.ModuleEntry> modulesInPlace = List.of();

    private String changedBy;
    private Instant changedAt;
    private Instant createdAt;
    private @Nullable Instant removedAt;
    /** Whether its measures were filled in as they usually are, and nobody has looked. */
    boolean asUsual;

    @ElementCollection
    @CollectionTable(name = "gang", joinColumns = @JoinColumn(name = "box_id"))
    @OrderColumn(name = "position")
    List<GangPart> gangs = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "box_load", joinColumns = @JoinColumn(name = "box_id"))
    @OrderColumn(name = "position")
    List<LoadPart> loads = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "box_cable", joinColumns = @JoinColumn(name = "box_id"))
    @OrderColumn(name = "position")
    List<CablePart> cables = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "box_core", joinColumns = @JoinColumn(name = "box_id"))
    @OrderColumn(name = "position")
    List<CorePart> cores = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "box_jumper", joinColumns = @JoinColumn(name = "box_id"))
    @OrderColumn(name = "position")
    List<JumperPart> jumpers = new ArrayList<>();

    @ElementCollection
    @CollectionTable(name = "box_pick", joinColumns = @JoinColumn(name = "box_id"))
    @OrderColumn(name = "position")
    List<PickPart> picks = new ArrayList<>();

    protected BoxRow() {}

    public BoxRow(UUID roomId, String who, Instant when) {
        this.id = UUID.randomUUID();
        this.roomId = roomId;
        this.createdAt = when;
        changed(who, when);
    }

    public UUID id() {
        return id;
    }

    public long version() {
        return version;
    }

    public UUID roomId() {
        return roomId;
    }

    public String label() {
        return label;
    }

    public BoxKind kind() {
        return kind;
    }

    /** Boxes that cables of this one lead to. */
    public List<UUID> neighbours() {
        return cables.stream()
                .map(cable -> cable.otherBox)
                .filter(java.util.Objects::nonNull)
                .distinct()
                .toList();
    }

    public String changedBy() {
        return changedBy;
    }

    public Instant changedAt() {
        return changedAt;
    }

    public Instant createdAt() {
        return createdAt;
    }

    public List<PickPart> picks() {
        return List.copyOf(picks);
    }

    public void pick(List<PickPart> chosen) {
        picks.clear();
        picks.addAll(chosen);
    }

    void isIn(UUID room) {
        roomId = room;
    }

    /** @param when null puts it back */
    void isTakenAway(@Nullable Instant when) {
        removedAt = when;
    }

    public final void changed(String who, Instant when) {
        changedBy = who;
        changedAt = when;
    }

    /** A gang. */
    @Embeddable
    public static class GangPart {
        String name;

        @Enumerated(EnumType.STRING)
        Mechanism mechanism;

        long depthUm;
        UUID circuitId;
    }

    /** A load, as typed. */
    @Embeddable
    public static class LoadPart {
        int number;
        String name;
        String typed;
        int gang;
        boolean continuous;
        String motor;

        @Enumerated(EnumType.STRING)
        Drive.Direction direction;
    }

    /** A cable without its cores. */
    @Embeddable
    public static class CablePart {
        String name;

        @Enumerated(EnumType.STRING)
        SurveyDocument.LeadsTo leads;

        UUID circuitId;
        Integer loadNumber;
        UUID otherBox;
        String otherCable;
        BigDecimal mm2;
        boolean asUsual;
    }

    /** A core of a cable. */
    @Embeddable
    public static class CorePart {
        String cable;
        int number;

        @Enumerated(EnumType.STRING)
        CoreColour colour;

        @Enumerated(EnumType.STRING)
        CoreColour sleeve;

        @Enumerated(EnumType.STRING)
        Role role;

        String endKey;

        @Nullable
        Integer loadNumber;
    }

    /** A jumper. */
    @Embeddable
    public static class JumperPart {
        String name;

        @Enumerated(EnumType.STRING)
        CoreColour colour;

        String fromKey;
        String toKey;
    }

    /** One gang, or one load that hangs in the box, of a picked module. */
    @Embeddable
    public static class PickPart {
        private int gang;
        private int module;
        private String moduleCode;

        @Enumerated(EnumType.STRING)
        private InputBehaviour behaviour;

        @Column(name = "bypass_mw")
        private Long bypassMw;

        @Enumerated(EnumType.STRING)
        private SchemeCode scheme;

        private Integer loadNumber;
        private String companionCode;
        private Integer spacerMm;

        protected PickPart() {}

        /** @param gang 0 where a load is named */
        public PickPart(
                int gang,
                Integer loadNumber,
                int module,
                SchemeCode scheme,
                String moduleCode,
                String companionCode,
                InputBehaviour behaviour,
                Long bypassMw,
                Integer spacerMm) {
            this.loadNumber = loadNumber;
            this.scheme = scheme;
            this.companionCode = companionCode;
            this.gang = gang;
            this.module = module;
            this.moduleCode = moduleCode;
            this.behaviour = behaviour;
            this.bypassMw = bypassMw;
            this.spacerMm = spacerMm;
        }

        public int gang() {
            return gang;
        }

        public Integer loadNumber() {
            return loadNumber;
        }

        public Integer spacerMm() {
            return spacerMm;
        }

        public SchemeCode scheme() {
            return scheme;
        }

        public String companionCode() {
            return companionCode;
        }

        public int module() {
            return module;
        }

        public String moduleCode() {
            return moduleCode;
        }

        public InputBehaviour behaviour() {
            return behaviour;
        }

        public Long bypassMw() {
            return bypassMw;
        }
    }
}
