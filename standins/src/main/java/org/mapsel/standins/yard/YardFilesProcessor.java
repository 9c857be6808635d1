package org.mapsel.standins.yard;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.olingo.commons.api.data.Entity;
import org.apache.olingo.commons.api.format.ContentType;
import org.apache.olingo.commons.api.http.HttpHeader;
import org.apache.olingo.commons.api.http.HttpStatusCode;
import org.apache.olingo.server.api.ODataApplicationException;
import org.apache.olingo.server.api.ODataLibraryException;
import org.apache.olingo.server.api.ODataRequest;
import org.apache.olingo.server.api.ODataResponse;
import org.apache.olingo.server.api.processor.MediaEntityProcessor;
import org.apache.olingo.server.api.processor.PrimitiveProcessor;
import org.apache.olingo.server.api.uri.UriInfo;
import org.apache.olingo.server.api.uri.UriResource;
import org.apache.olingo.server.api.uri.UriResourcePrimitiveProperty;
import org.mapsel.standins.Switches;

/** Also answers for photos, which are files, and for the plans of lots, which have one. */
final class YardFilesProcessor extends YardProcessor
    implements MediaEntityProcessor, PrimitiveProcessor {

  YardFilesProcessor(YardData data, Switches switches) {
    super(data, switches);
  }

  /** Which file of the entity is meant: a property's, or the one that it is itself. */
  private static String name(UriInfo uri) {
    List<UriResource> parts = uri.getUriResourceParts();
    return parts.get(parts.size() - 1) instanceof UriResourcePrimitiveProperty property
        ? property.getProperty().getName()
        : "";
  }

  private static YardData.StoredFile sent(ODataRequest request, ContentType type) {
    try {
      return new YardData.StoredFile(request.getBody().readAllBytes(), type.toContentTypeString());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  @Override
  public void readMediaEntity(
      ODataRequest request, ODataResponse response, UriInfo uri, ContentType format)
      throws ODataApplicationException {
    YardData.StoredFile file = data.file(target(uri).entity(), name(uri));
    if (file == null) {
      response.setStatusCode(HttpStatusCode.NO_CONTENT.getStatusCode());
      return;
    }
    response.setContent(new ByteArrayInputStream(file.bytes()));
    response.setHeader(HttpHeader.CONTENT_TYPE, file.mediaType());
    response.setStatusCode(HttpStatusCode.OK.getStatusCode());
  }

  @Override
  public void createMediaEntity(
      ODataRequest request,
      ODataResponse response,
      UriInfo uri,
      ContentType sent,
      ContentType wanted)
      throws ODataApplicationException, ODataLibraryException {
    Target target = target(uri);
    Entity entity = data.create(target.set().getName(), new Entity());
    YardData.StoredFile file = sent(request, sent);
    entity.setMediaContentType(file.mediaType());
    data.keep(entity, "", file);
    created(request, response, uri, target, entity, wanted);
  }

  @Override
  public void updateMediaEntity(
      ODataRequest request,
      ODataResponse response,
      UriInfo uri,
      ContentType sent,
      ContentType wanted)
      throws ODataApplicationException {
    Entity entity = target(uri).entity();
    data.keep(entity, name(uri), sent(request, sent));
    response.setStatusCode(HttpStatusCode.NO_CONTENT.getStatusCode());
  }

  @Override
  public void readPrimitive(
      ODataRequest request, ODataResponse response, UriInfo uri, ContentType format)
      throws ODataApplicationException {
    readMediaEntity(request, response, uri, format);
  }

  @Override
  public void updatePrimitive(
      ODataRequest request,
      ODataResponse response,
      UriInfo uri,
      ContentType sent,
      ContentType wanted)
      throws ODataApplicationException {
    updateMediaEntity(request, response, uri, sent, wanted);
  }

  @Override
  public void deletePrimitive(ODataRequest request, ODataResponse response, UriInfo uri)
      throws ODataApplicationException {
    deleteMediaEntity(request, response, uri);
  }

  @Override
  public void deleteMediaEntity(ODataRequest request, ODataResponse response, UriInfo uri)
      throws ODataApplicationException {
    throw problem(HttpStatusCode.NOT_IMPLEMENTED, "Files are replaced, not taken away.");
  }
}
