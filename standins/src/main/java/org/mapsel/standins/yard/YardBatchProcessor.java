package org.mapsel.standins.yard;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.apache.olingo.commons.api.format.ContentType;
import org.apache.olingo.commons.api.http.HttpHeader;
import org.apache.olingo.commons.api.http.HttpStatusCode;
import org.apache.olingo.server.api.OData;
import org.apache.olingo.server.api.ODataApplicationException;
import org.apache.olingo.server.api.ODataLibraryException;
import org.apache.olingo.server.api.ODataRequest;
import org.apache.olingo.server.api.ODataResponse;
import org.apache.olingo.server.api.ServiceMetadata;
import org.apache.olingo.server.api.batch.BatchFacade;
import org.apache.olingo.server.api.deserializer.batch.BatchOptions;
import org.apache.olingo.server.api.deserializer.batch.BatchRequestPart;
import org.apache.olingo.server.api.deserializer.batch.ODataResponsePart;
import org.apache.olingo.server.api.processor.BatchProcessor;

/** Takes several requests in one message. */
final class YardBatchProcessor implements BatchProcessor {

  private OData odata;

  @Override
  public void init(OData library, ServiceMetadata metadata) {
    odata = library;
  }

  @Override
  public void processBatch(BatchFacade facade, ODataRequest request, ODataResponse response)
      throws ODataApplicationException, ODataLibraryException {
    String boundary = facade.extractBoundaryFromContentType(request.getHeader("Content-Type"));
    BatchOptions options =
        BatchOptions.with()
            .rawBaseUri(request.getRawBaseUri())
            .rawServiceResolutionUri(request.getRawServiceResolutionUri())
            .build();
    List<ODataResponsePart> answers = new ArrayList<>();
    for (BatchRequestPart part :
        odata
            .createFixedFormatDeserializer()
            .parseBatchRequest(request.getBody(), boundary, options)) {
      answers.add(facade.handleBatchRequest(part));
    }
    String around = "batch_" + UUID.randomUUID();
    response.setContent(odata.createFixedFormatSerializer().batchResponse(answers, around));
    response.setHeader(
        HttpHeader.CONTENT_TYPE, ContentType.MULTIPART_MIXED + ";boundary=" + around);
    response.setStatusCode(HttpStatusCode.OK.getStatusCode());
  }

  @Override
  public ODataResponsePart processChangeSet(BatchFacade facade, List<ODataRequest> requests)
      throws ODataApplicationException, ODataLibraryException {
    List<ODataResponse> answers = new ArrayList<>();
    for (ODataRequest request : requests) {
      ODataResponse answer = facade.handleODataRequest(request);
      if (answer.getStatusCode() >= HttpStatusCode.BAD_REQUEST.getStatusCode()) {
        return new ODataResponsePart(answer, false);
      }
      answers.add(answer);
    }
    return new ODataResponsePart(answers, true);
  }
}
