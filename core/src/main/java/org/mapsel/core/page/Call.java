package org.mapsel.core.page;

import java.util.List;
import org.mapsel.core.mapping.Mapping;
import org.mapsel.core.ref.CallId;
import org.mapsel.core.ref.EndpointId;
import org.mapsel.core.ref.OperationId;

/**
 * The use of one operation on one page.
 *
 * @param service the service's id in the workspace; the app says which edition
 * @param goesIn mappings to parameters
 * @param comesBack mappings from returned fields
 */
public record Call(
    CallId id,
    String service,
    OperationId operation,
    EndpointId endpoint,
    List<Mapping> goesIn,
    List<Mapping> comesBack) {

  public Call {
    goesIn = List.copyOf(goesIn);
    comesBack = List.copyOf(comesBack);
  }

  public Call withGoesIn(List<Mapping> other) {
    return new Call(id, service, operation, endpoint, other, comesBack);
  }

  public Call withComesBack(List<Mapping> other) {
    return new Call(id, service, operation, endpoint, goesIn, other);
  }
}
