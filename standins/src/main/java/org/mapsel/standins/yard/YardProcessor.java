package org.mapsel.standins.yard;

import java.net.URI;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.olingo.commons.api.data.ContextURL;
import org.apache.olingo.commons.api.data.Entity;
import org.apache.olingo.commons.api.data.EntityCollection;
import org.apache.olingo.commons.api.data.Link;
import org.apache.olingo.commons.api.data.Property;
import org.apache.olingo.commons.api.data.ValueType;
import org.apache.olingo.commons.api.edm.EdmEntitySet;
import org.apache.olingo.commons.api.edm.EdmEntityType;
import org.apache.olingo.commons.api.format.ContentType;
import org.apache.olingo.commons.api.http.HttpHeader;
import org.apache.olingo.commons.api.http.HttpStatusCode;
import org.apache.olingo.server.api.OData;
import org.apache.olingo.server.api.ODataApplicationException;
import org.apache.olingo.server.api.ODataLibraryException;
import org.apache.olingo.server.api.ODataRequest;
import org.apache.olingo.server.api.ODataResponse;
import org.apache.olingo.server.api.ServiceMetadata;
import org.apache.olingo.server.api.processor.EntityCollectionProcessor;
import org.apache.olingo.server.api.processor.EntityProcessor;
import org.apache.olingo.server.api.serializer.EntityCollectionSerializerOptions;
import org.apache.olingo.server.api.serializer.EntitySerializerOptions;
import org.apache.olingo.server.api.uri.UriInfo;
import org.apache.olingo.server.api.uri.UriParameter;
import org.apache.olingo.server.api.uri.UriResource;
import org.apache.olingo.server.api.uri.UriResourceEntitySet;
import org.apache.olingo.server.api.uri.UriResourceNavigation;
import org.apache.olingo.server.api.uri.UriResourcePrimitiveProperty;
import org.apache.olingo.server.api.uri.queryoption.ExpandOption;
import org.apache.olingo.server.api.uri.queryoption.OrderByItem;
import org.apache.olingo.server.api.uri.queryoption.expression.ExpressionVisitException;
import org.apache.olingo.server.api.uri.queryoption.expression.Member;
import org.mapsel.standins.Switches;

/** Answers for the entities of Yard. */
class YardProcessor implements EntityCollectionProcessor, EntityProcessor {

  /** So many entities come at a time. */
  private static final int PAGE = 5;

  final YardData data;
  private final Switches switches;
  private OData odata;
  private ServiceMetadata metadata;

  YardProcessor(YardData data, Switches switches) {
    this.data = data;
    this.switches = switches;
  }

  @Override
  public void init(OData library, ServiceMetadata serviceMetadata) {
    odata = library;
    metadata = serviceMetadata;
  }

  /** What a path leads to: the set it ends in, and the entity that it goes through. */
  record Target(EdmEntitySet set, Entity entity, boolean navigates) {

    EdmEntityType type() {
      return set.getEntityType();
    }
  }

  Target target(UriInfo uri) throws ODataApplicationException {
    if (switches.is(Switches.Mode.FAULT)) {
      throw problem(HttpStatusCode.CONFLICT, "The yard is closed for the night.");
    }
    List<UriResource> parts = uri.getUriResourceParts();
    UriResourceEntitySet first = (UriResourceEntitySet) parts.get(0);
    EdmEntitySet set = first.getEntitySet();
    Entity entity =
        first.getKeyPredicates().isEmpty()
            ? null
            : existing(set.getName(), first.getKeyPredicates());
    if (parts.size() > 1 && parts.get(1) instanceof UriResourceNavigation way) {
      String name = way.getProperty().getName();
      return new Target((EdmEntitySet) set.getRelatedBindingTarget(name), entity, true);
    }
    return new Target(set, entity, false);
  }

  private Entity existing(String set, List<UriParameter> keys) throws ODataApplicationException {
    Map<String, String> values = new HashMap<>();
    for (UriParameter key : keys) {
      values.put(key.getName(), key.getText().replaceAll("^'|'$", "").replace("''", "'"));
    }
    Entity found = data.find(set, values);
    if (found == null) {
      throw problem(HttpStatusCode.NOT_FOUND, "There is nothing in " + set + " with " + values);
    }
    return found;
  }

  static ODataApplicationException problem(HttpStatusCode status, String message) {
    return new ODataApplicationException(message, status.getStatusCode(), Locale.ROOT);
  }

  @Override
  public void readEntityCollection(
      ODataRequest request, ODataResponse response, UriInfo uri, ContentType format)
      throws ODataApplicationException, ODataLibraryException {
    Target target = target(uri);
    List<Entity> all =
        target.navigates ? data.jobsOf(target.entity) : data.all(target.set.getName());
    List<Entity> rows = new ArrayList<>();
    for (Entity entity : all) {
      if (uri.getFilterOption() == null || matches(uri, entity)) {
        rows.add(entity);
      }
    }
    order(uri, rows);
    EntityCollection answer = new EntityCollection();
    if (uri.getCountOption() != null && uri.getCountOption().getValue()) {
      answer.setCount(rows.size());
    }
    int skipped = uri.getSkipOption() == null ? 0 : uri.getSkipOption().getValue();
    int end =
        uri.getTopOption() == null
            ? rows.size()
            : Math.min(rows.size(), skipped + uri.getTopOption().getValue());
    int from =
        uri.getSkipTokenOption() == null
            ? Math.min(skipped, rows.size())
            : Integer.parseInt(uri.getSkipTokenOption().getValue());
    int to = Math.max(from, Math.min(end, from + PAGE));
    answer.getEntities().addAll(rows.subList(from, to));
    if (to < end) {
      String plain = request.getRawRequestUri().replaceAll("[?&]\\$skiptoken=\\d+", "");
      answer.setNext(URI.create(plain + (plain.contains("?") ? "&" : "?") + "$skiptoken=" + to));
    }
    expand(uri.getExpandOption(), answer.getEntities());
    ContextURL context =
        ContextURL.with()
            .entitySet(target.set)
            .selectList(
                odata
                    .createUriHelper()
                    .buildContextURLSelectList(
                        target.type(), uri.getExpandOption(), uri.getSelectOption()))
            .build();
    response.setContent(
        odata
            .createSerializer(format)
            .entityCollection(
                metadata,
                target.type(),
                answer,
                EntityCollectionSerializerOptions.with()
                    .contextURL(context)
                    .count(uri.getCountOption())
                    .expand(uri.getExpandOption())
                    .select(uri.getSelectOption())
                    .id(request.getRawBaseUri() + "/" + target.set.getName())
                    .build())
            .getContent());
    response.setStatusCode(HttpStatusCode.OK.getStatusCode());
    response.setHeader(HttpHeader.CONTENT_TYPE, format.toContentTypeString());
  }

  private static boolean matches(UriInfo uri, Entity entity) throws ODataApplicationException {
    try {
      return Boolean.TRUE.equals(
          uri.getFilterOption().getExpression().accept(new FilterVisitor(entity)));
    } catch (ExpressionVisitException e) {
      throw problem(HttpStatusCode.BAD_REQUEST, "The filter cannot be applied.");
    }
  }

  private static void order(UriInfo uri, List<Entity> rows) {
    if (uri.getOrderByOption() == null) {
      return;
    }
    List<OrderByItem> items = new ArrayList<>(uri.getOrderByOption().getOrders());
    for (int i = items.size() - 1; i >= 0; i--) {
      UriResource part =
          ((Member) items.get(i).getExpression()).getResourcePath().getUriResourceParts().get(0);
      String name = ((UriResourcePrimitiveProperty) part).getProperty().getName();
      Comparator<Entity> order =
          Comparator.comparing(
              entity -> FilterVisitor.comparable(entity.getProperty(name).getValue()),
              Comparator.nullsFirst(Comparator.naturalOrder()));
      rows.sort(items.get(i).isDescending() ? order.reversed() : order);
    }
  }

  private void expand(ExpandOption option, List<Entity> entities) {
    if (option == null) {
      return;
    }
    for (Entity entity : entities) {
      entity.getNavigationLinks().clear();
      Link link = new Link();
      if (entity.getProperty("Code") == null) {
        link.setTitle("Jobs");
        EntityCollection jobs = new EntityCollection();
        jobs.getEntities().addAll(data.jobsOf(entity));
        link.setInlineEntitySet(jobs);
      } else {
        link.setTitle("Crane");
        link.setInlineEntity(data.craneOf(entity));
      }
      entity.getNavigationLinks().add(link);
    }
  }

  @Override
  public void readEntity(
      ODataRequest request, ODataResponse response, UriInfo uri, ContentType format)
      throws ODataApplicationException, ODataLibraryException {
    Target target = target(uri);
    Entity entity = target.navigates ? data.craneOf(target.entity) : target.entity;
    expand(uri.getExpandOption(), List.of(entity));
    write(response, target, entity, uri, format);
    response.setStatusCode(HttpStatusCode.OK.getStatusCode());
  }

  private void write(
      ODataResponse response, Target target, Entity entity, UriInfo uri, ContentType format)
      throws ODataLibraryException {
    ContextURL context =
        ContextURL.with().entitySet(target.set).suffix(ContextURL.Suffix.ENTITY).build();
    response.setContent(
        odata
            .createSerializer(format)
            .entity(
                metadata,
                target.type(),
                entity,
                EntitySerializerOptions.with()
                    .contextURL(context)
                    .expand(uri.getExpandOption())
                    .select(uri.getSelectOption())
                    .build())
            .getContent());
    response.setHeader(HttpHeader.CONTENT_TYPE, format.toContentTypeString());
    if (entity.getETag() != null) {
      response.setHeader(HttpHeader.ETAG, entity.getETag());
    }
  }

  private Entity body(ODataRequest request, Target target, ContentType format)
      throws ODataLibraryException {
    return odata
        .createDeserializer(format, metadata)
        .entity(request.getBody(), target.type())
        .getEntity();
  }

  @Override
  public void createEntity(
      ODataRequest request,
      ODataResponse response,
      UriInfo uri,
      ContentType sent,
      ContentType wanted)
      throws ODataApplicationException, ODataLibraryException {
    Target target = target(uri);
    Entity entity = body(request, target, sent);
    List<Link> brought = new ArrayList<>(entity.getNavigationLinks());
    List<Link> named = new ArrayList<>(entity.getNavigationBindings());
    data.create(target.set.getName(), entity);
    related(entity, brought, named);
    created(request, response, uri, target, entity, wanted);
  }

  /** Keeps what was brought along, and leads to what was named. */
  private void related(Entity entity, List<Link> brought, List<Link> named)
      throws ODataApplicationException {
    entity.getNavigationLinks().clear();
    entity.getNavigationBindings().clear();
    for (Link link : brought) {
      if (link.getInlineEntity() != null) {
        throw problem(HttpStatusCode.NOT_IMPLEMENTED, "Jobs come with their crane alone.");
      }
      for (Entity job : link.getInlineEntitySet().getEntities()) {
        data.give(entity, data.create("Jobs", job));
      }
    }
    for (Link link : named) {
      List<String> there =
          link.getBindingLink() == null ? link.getBindingLinks() : List.of(link.getBindingLink());
      for (String address : there) {
        Entity other = data.named(address);
        if (other == null) {
          throw problem(HttpStatusCode.NOT_FOUND, "There is nothing at " + address);
        }
        boolean isJob = other.getProperty("Code") != null;
        data.give(isJob ? entity : other, isJob ? other : entity);
      }
    }
  }

  void created(
      ODataRequest request,
      ODataResponse response,
      UriInfo uri,
      Target target,
      Entity entity,
      ContentType wanted)
      throws ODataLibraryException {
    for (String name : target.type().getPropertyNames()) {
      if (entity.getProperty(name) == null) {
        entity.addProperty(new Property(null, name, ValueType.PRIMITIVE, null));
      }
    }
    write(response, target, entity, uri, wanted);
    response.setStatusCode(HttpStatusCode.CREATED.getStatusCode());
    response.setHeader(HttpHeader.LOCATION, request.getRawBaseUri() + "/" + entity.getId());
  }

  @Override
  public void updateEntity(
      ODataRequest request,
      ODataResponse response,
      UriInfo uri,
      ContentType sent,
      ContentType wanted)
      throws ODataApplicationException, ODataLibraryException {
    Target target = target(uri);
    check(request, target.entity);
    data.change(target.entity, body(request, target, sent));
    response.setStatusCode(HttpStatusCode.NO_CONTENT.getStatusCode());
    if (target.entity.getETag() != null) {
      response.setHeader(HttpHeader.ETAG, target.entity.getETag());
    }
  }

  private void check(ODataRequest request, Entity entity) throws ODataLibraryException {
    odata
        .createETagHelper()
        .checkChangePreconditions(
            entity.getETag(),
            request.getHeaders(HttpHeader.IF_MATCH),
            request.getHeaders(HttpHeader.IF_NONE_MATCH));
  }

  @Override
  public void deleteEntity(ODataRequest request, ODataResponse response, UriInfo uri)
      throws ODataApplicationException, ODataLibraryException {
    Target target = target(uri);
    check(request, target.entity);
    data.delete(target.set.getName(), target.entity);
    response.setStatusCode(HttpStatusCode.NO_CONTENT.getStatusCode());
  }
}
