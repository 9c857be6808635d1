/** Declarations: an authority that asks for much, over HTTP and JSON, behind OAuth 2. */
package org.mapsel.standins.declarations;
