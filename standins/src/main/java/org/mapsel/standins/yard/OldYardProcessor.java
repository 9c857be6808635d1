package org.mapsel.standins.yard;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.olingo.commons.api.data.Entity;
import org.apache.olingo.commons.api.data.Property;
import org.apache.olingo.commons.api.data.ValueType;
import org.apache.olingo.odata2.api.commons.HttpStatusCodes;
import org.apache.olingo.odata2.api.commons.InlineCount;
import org.apache.olingo.odata2.api.edm.EdmEntitySet;
import org.apache.olingo.odata2.api.ep.EntityProvider;
import org.apache.olingo.odata2.api.ep.EntityProviderReadProperties;
import org.apache.olingo.odata2.api.ep.EntityProviderWriteProperties;
import org.apache.olingo.odata2.api.ep.entry.ODataEntry;
import org.apache.olingo.odata2.api.exception.ODataApplicationException;
import org.apache.olingo.odata2.api.exception.ODataException;
import org.apache.olingo.odata2.api.processor.ODataResponse;
import org.apache.olingo.odata2.api.processor.ODataSingleProcessor;
import org.apache.olingo.odata2.api.uri.KeyPredicate;
import org.apache.olingo.odata2.api.uri.expression.OrderExpression;
import org.apache.olingo.odata2.api.uri.expression.PropertyExpression;
import org.apache.olingo.odata2.api.uri.expression.SortOrder;
import org.apache.olingo.odata2.api.uri.info.DeleteUriInfo;
import org.apache.olingo.odata2.api.uri.info.GetEntitySetUriInfo;
import org.apache.olingo.odata2.api.uri.info.GetEntityUriInfo;
import org.apache.olingo.odata2.api.uri.info.PostUriInfo;
import org.apache.olingo.odata2.api.uri.info.PutMergePatchUriInfo;
import org.mapsel.standins.Switches;

/** Reads and changes the yard as version 2 of the protocol has it. */
final class OldYardProcessor extends ODataSingleProcessor {

  private static final int PAGE = 5;

  private final YardData data;
  private final Switches switches;

  OldYardProcessor(YardData data, Switches switches) {
    this.data = data;
    this.switches = switches;
  }

  private static ODataApplicationException problem(HttpStatusCodes status, String message) {
    return new ODataApplicationException(message, Locale.ENGLISH, status);
  }

  private Entity existing(EdmEntitySet set, List<KeyPredicate> keys) throws ODataException {
    if (switches.is(Switches.Mode.FAULT)) {
      throw problem(HttpStatusCodes.CONFLICT, "The yard is closed for the night.");
    }
    Map<String, String> values = new HashMap<>();
    for (KeyPredicate key : keys) {
      values.put(key.getProperty().getName(), key.getLiteral());
    }
    Entity found = data.find(set.getName(), values);
    if (found == null) {
      throw problem(
          HttpStatusCodes.NOT_FOUND, "There is nothing in " + set.getName() + " with " + values);
    }
    return found;
  }

  private static Map<String, Object> row(Entity entity) {
    Map<String, Object> row = new LinkedHashMap<>();
    for (Property property : entity.getProperties()) {
      row.put(property.getName(), property.getValue());
    }
    return row;
  }

  private EntityProviderWriteProperties.ODataEntityProviderPropertiesBuilder writing()
      throws ODataException {
    return EntityProviderWriteProperties.serviceRoot(getContext().getPathInfo().getServiceRoot());
  }

  @Override
  public ODataResponse readEntitySet(GetEntitySetUriInfo uri, String contentType)
      throws ODataException {
    List<Entity> all =
        uri.getNavigationSegments().isEmpty()
            ? data.all(uri.getTargetEntitySet().getName())
            : data.jobsOf(existing(uri.getStartEntitySet(), uri.getKeyPredicates()));
    List<Map<String, Object>> rows = new ArrayList<>();
    for (Entity entity : all) {
      Map<String, Object> row = row(entity);
      if (uri.getFilter() == null
          || Boolean.TRUE.equals(uri.getFilter().accept(new OldFilterVisitor(row)))) {
        rows.add(row);
      }
    }
    if (uri.getOrderBy() != null) {
      List<OrderExpression> orders = uri.getOrderBy().getOrders();
      for (int i = orders.size() - 1; i >= 0; i--) {
        rows.sort(comparing(orders.get(i)));
      }
    }
    var properties = writing();
    if (uri.getInlineCount() == InlineCount.ALLPAGES) {
      properties.inlineCountType(InlineCount.ALLPAGES).inlineCount(rows.size());
    }
    int from = uri.getSkipToken() == null ? 0 : Integer.parseInt(uri.getSkipToken());
    from = Math.min(rows.size(), from + (uri.getSkip() == null || from > 0 ? 0 : uri.getSkip()));
    int wanted = uri.getTop() == null ? rows.size() : uri.getTop();
    int to = Math.min(rows.size(), from + Math.min(wanted, PAGE));
    if (to < rows.size() && wanted > PAGE) {
      String asked = getContext().getPathInfo().getRequestUri().toString();
      properties.nextLink(
          asked.replaceAll("[$]skiptoken=\\d+&?|[&?]$", "")
              + (asked.contains("=") ? "&" : "?")
              + "$skiptoken="
              + to);
    }
    return EntityProvider.writeFeed(
        contentType, uri.getTargetEntitySet(), rows.subList(from, to), properties.build());
  }

  private static Comparator<Map<String, Object>> comparing(OrderExpression order) {
    String name = ((PropertyExpression) order.getExpression()).getPropertyName();
    Comparator<Map<String, Object>> comparing =
        Comparator.comparing(
            row -> OldFilterVisitor.comparable(row.get(name)),
            Comparator.nullsFirst(Comparator.naturalOrder()));
    return order.getSortOrder() == SortOrder.desc ? comparing.reversed() : comparing;
  }

  @Override
  public ODataResponse readEntity(GetEntityUriInfo uri, String contentType) throws ODataException {
    Entity found = existing(uri.getStartEntitySet(), uri.getKeyPredicates());
    Entity target = uri.getNavigationSegments().isEmpty() ? found : data.craneOf(found);
    return EntityProvider.writeEntry(
        contentType, uri.getTargetEntitySet(), row(target), writing().build());
  }

  private static Entity entity(EdmEntitySet set, InputStream content, String type, boolean merge)
      throws ODataException {
    ODataEntry given =
        EntityProvider.readEntry(
            type, set, content, EntityProviderReadProperties.init().mergeSemantic(merge).build());
    Entity entity = new Entity();
    given
        .getProperties()
        .forEach(
            (name, value) ->
                entity.addProperty(new Property(null, name, ValueType.PRIMITIVE, value)));
    return entity;
  }

  @Override
  public ODataResponse createEntity(
      PostUriInfo uri, InputStream content, String requestType, String contentType)
      throws ODataException {
    EdmEntitySet set = uri.getTargetEntitySet();
    Entity created = data.create(set.getName(), entity(set, content, requestType, false));
    return EntityProvider.writeEntry(contentType, set, row(created), writing().build());
  }

  @Override
  public ODataResponse updateEntity(
      PutMergePatchUriInfo uri,
      InputStream content,
      String requestType,
      boolean merge,
      String contentType)
      throws ODataException {
    Entity found = existing(uri.getTargetEntitySet(), uri.getKeyPredicates());
    data.change(found, entity(uri.getTargetEntitySet(), content, requestType, merge));
    return ODataResponse.status(HttpStatusCodes.NO_CONTENT).build();
  }

  @Override
  public ODataResponse deleteEntity(DeleteUriInfo uri, String contentType) throws ODataException {
    EdmEntitySet set = uri.getTargetEntitySet();
    data.delete(set.getName(), existing(set, uri.getKeyPredicates()));
    return ODataResponse.status(HttpStatusCodes.NO_CONTENT).build();
  }
}
