package org.hiddenclerk.app.stage.papers;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.util.UUID;

/** The file of a printed paper. */
@Entity
@Table(name = "paper_file")
class PaperFileRow {
    @Id
    private UUID paperId;

    @Column(columnDefinition = "LONGBLOB")
    private byte[] pdf = {};

    protected PaperFileRow() {}

    PaperFileRow(UUID paperId, byte[] pdf) {
        this.paperId = paperId;
        this.pdf = pdf.clone();
    }

    byte[] pdf() {
        return pdf.clone();
    }
}
