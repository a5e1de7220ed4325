package org.ysometron.app.line;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** The last number that is kept of an instrument's epoch. */
@Entity
@Table(name = "line_ledger")
class LedgerRow {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String serial;
    String epoch;
    long lastSeq;
}
