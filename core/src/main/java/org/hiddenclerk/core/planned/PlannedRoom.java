package org.hiddenclerk.core.planned;

/** The room that a box is in. */
public record PlannedRoom(String id, String name, String storey) {}
