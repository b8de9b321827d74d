package ivesk.server.aftercare;

import ivesk.core.aftercare.HomeItem;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

@Component
class HomePlanStore {
  private final JdbcClient jdbc;

  HomePlanStore(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  enum Having {
    HAS,
    BOUGHT,
    DECLINED
  }

  /// What was said of the items; absent where nothing was.
  Map<HomeItem, Having> of(UUID clientId) {
    Map<HomeItem, Having> said = new EnumMap<>(HomeItem.class);
    jdbc.sql("SELECT item, standing FROM home_plan_item WHERE client_id = ?")
        .param(clientId)
        .query(row -> {
          said.put(
              HomeItem.valueOf(row.getString("item")), Having.valueOf(row.getString("standing")));
        });
    return said;
  }

  /// @param having empty takes back what was said
  void say(UUID clientId, HomeItem item, Optional<Having> having, Instant at, String who) {
    if (having.isEmpty()) {
      jdbc.sql("DELETE FROM home_plan_item WHERE client_id = ? AND item = ?")
          .params(clientId, item.name())
          .update();
      return;
    }
    jdbc.sql(
            "MERGE INTO home_plan_item (client_id, item, standing, said_at, said_to)"
                + " KEY (client_id, item) VALUES (?, ?, ?, ?, ?)")
        .params(clientId, item.name(), having.get().name(), at.atOffset(ZoneOffset.UTC), who)
        .update();
  }

  void erase(UUID clientId) {
    jdbc.sql("DELETE FROM home_plan_item WHERE client_id = ?").param(clientId).update();
  }
}
