package org.hiddenclerk.app.job.house;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
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

    public CircuitRow(
            UUID jobId,
            String label,
            Amps rating,
            Line phase,
            boolean alternativelySupplied,
            Optional<Volts> elvVolts,
            Protection protection) {
        this.device = protection.device();
        this.residualMa = protection.residualMilliamps().isPresent()
                ? protection.residualMilliamps().getAsInt()
                : null;
        this.cableMm2 = protection.cableMm2().orElse(null);
        this.metal = protection.metal().orElse(null);
        this.elvMv = elvVolts.map(Volts::millivolts).orElse(null);
        this.id = UUID.randomUUID();
        this.jobId = jobId;
        this.label = label;
        this.ratingMa = rating.milliamps();
        this.phase = phase;
        this.alternativelySupplied = alternativelySupplied;
    }

    public UUID id() {
        return id;
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
