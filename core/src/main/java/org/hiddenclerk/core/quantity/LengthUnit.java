package org.hiddenclerk.core.quantity;

/** What lengths are read and typed in; they are kept in millimetres. */
public enum LengthUnit {
    MILLIMETRE,
    INCH
}
