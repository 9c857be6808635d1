package org.mapsel.core.serve;

import java.util.Optional;
import org.mapsel.core.message.Response;
import org.mapsel.core.ref.OperationId;

/**
 * What a request came to.
 *
 * @param operation nothing if none was asked for
 */
public record Served(Optional<OperationId> operation, Response response) {}
