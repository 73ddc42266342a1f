package org.hiddenclerk.core.job;

import org.hiddenclerk.core.quantity.Millimetres;

/**
 * Inside of a box.
 *
 * @param width  clear width
 * @param height clear height
 * @param depth  from the wall's surface to the bottom
 * @param metal  whether it is metal
 */
public record BoxGeometry(Millimetres width, Millimetres height, Millimetres depth, boolean metal) {
}
