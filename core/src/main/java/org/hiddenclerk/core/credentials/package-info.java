/** Codes, addresses and networks that a device is joined with, checked by their published arithmetic before anybody keeps them. */
package org.hiddenclerk.core.credentials;
