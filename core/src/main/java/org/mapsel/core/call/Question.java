package org.mapsel.core.call;

import java.util.Set;
import org.mapsel.core.message.Access;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.FieldPath;
import org.mapsel.core.service.Operation;
import org.mapsel.core.service.Service;
import org.mapsel.core.value.RecordValue;

/**
 * What a service is to be asked.
 *
 * @param parameters a record of the operation's input shape
 * @param access how the endpoint is reached
 * @param wanted the returned fields to keep; none keeps everything
 */
public record Question(
    Service service,
    Operation operation,
    EndpointId endpoint,
    RecordValue parameters,
    Access access,
    Set<FieldPath> wanted) {

  public Question {
    wanted = Set.copyOf(wanted);
  }
}
