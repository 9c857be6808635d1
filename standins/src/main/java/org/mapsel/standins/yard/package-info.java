/** Yard: cranes, their jobs and storage lots, over OData 4. */
package org.mapsel.standins.yard;
