/**
 * Who may do what. Every endpoint names the right it needs; one place decides by role, job, and for tokens by scope. Depends on
 * nothing but the database: who somebody is stands in accounts.
 */
package org.hiddenclerk.app.platform.access;
