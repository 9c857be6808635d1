package org.mapsel.core.serve;

import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;
import org.mapsel.core.value.RecordValue;

/**
 * What a request asks for.
 *
 * @param parameters as far as they stand in the request; secrets are not among them
 */
public record ReadRequest(OperationId operation, EndpointId endpoint, RecordValue parameters) {}
