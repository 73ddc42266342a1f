package org.hiddenclerk.app.job.house;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;
import org.jspecify.annotations.Nullable;

/** A circuit of a house. */
@Entity
@Table(name = "circuit")
public class CircuitRow {
    @Id
    private UUID id;

    @Version
    private long version;

    private UUID jobId;
    private String label;
    private long ratingMa;

    @Enumerated(EnumType.STRING)
    private Line phase;

    private boolean alternativelySupplied;

    @Column(name = "elv_mv")
    private Long elvMv;

    @Enumerated(EnumType.STRING)
    private Protection.Device device;

    @Column(name = "residual_ma")
    private @Nullable Integer residualMa;

    private @Nullable BigDecimal cableMm2;

    @Enumerated(EnumType.STRING)
    private Protection.@Nullable Metal metal;

    protected CircuitRow() {}

    public CircuitRow(UUID jobId, Data data) {
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        is(data);
    }

    /** What is known of a circuit. */
    public record Data(
            String label,
            Amps rating,
            Line phase,
            boolean alternativelySupplied,
            Optional<Volts> elvVolts,
            Protection protection) {}

    /** What is known of it. */
    public Data data() {
        Circuit circuit = toCircuit();
        return new Data(
                circuit.label(),
                circuit.rating(),
                circuit.phase(),
                circuit.alternativelySupplied(),
                circuit.elvVolts(),
                circuit.protection());
    }

    /** Takes what is known now. */
    public final void is(Data data) {
        this.device = data.protection().device();
        this.residualMa = data.protection().residualMilliamps().isPresent()
                ? data.protection().residualMilliamps().getAsInt()
                : null;
        this.cableMm2 = data.protection().cableMm2().orElse(null);
        this.metal = data.protection().metal().orElse(null);
        this.elvMv = data.elvVolts().map(Volts::millivolts).orElse(null);
        this.label = data.label();
        this.ratingMa = data.rating().milliamps();
        this.phase = data.phase();
        this.alternativelySupplied = data.alternativelySupplied();
    }

    public UUID id() {
        return id;
    }

    public long version() {
        return version;
    }

    public UUID jobId() {
        return jobId;
    }

    /** The circuit as the core knows it. */
    public Circuit toCircuit() {
        return new Circuit(
                new CircuitId(id.toString()),
                label,
                new Amps(ratingMa),
                phase,
                alternativelySupplied,
                Optional.ofNullable(elvMv).map(Volts::new),
                new Protection(
                        device,
                        residualMa == null ? OptionalInt.empty() : OptionalInt.of(residualMa),
                        Optional.ofNullable(cableMm2).map(BigDecimal::stripTrailingZeros),
                        Optional.ofNullable(metal)));
    }
}
