package org.mapsel.standins.tides;

import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.links.Link;
import org.springdoc.core.customizers.GlobalOperationCustomizer;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;

/** Where answers lead; the generator of the document passes over links in annotations. */
@Component
class TidesLinks implements GlobalOperationCustomizer {

  @Override
  public Operation customize(Operation operation, HandlerMethod method) {
    if ("getStation".equals(operation.getOperationId())) {
      Link heights =
          new Link().operationId("getHeights").description("The heights of a day at this station.");
      heights.addParameter("code", "$response.body#/code");
      operation.getResponses().get("200").link("heights", heights);
    }
    return operation;
  }
}
