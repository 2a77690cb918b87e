#include "support/bars.h"

#include "support/menus.h"

namespace bristle::test {

Bar::Bar() : project(columnMenu({"any"})) {
  project.displays = {{{"d"}, "", 1000, 600}};
  const KindId kind = project.kinds[0]->id;
  Screen& on = screen();
  on.items.clear();
  const auto button = [&](const std::string& id, const char* parent, Px x, Px y) {
    Item out;
    out.id = {id};
    if (parent) out.parent = {parent};
    out.place = {{.offset = x, .size = 160}, {.offset = y, .size = 40}};
    ButtonData data;
    data.kind = kind;
    data.caption = id;
    out.what = data;
    on.items.emplace_back(out);
  };
  const auto box = [&](const std::string& id, Flow flow, Px x, Px y, FlyOut flyOut) {
    Item out;
    out.id = {id};
    out.place = {{.offset = x}, {.offset = y}};
    out.what = ContainerData{.flow = flow, .gap = 0, .flyOut = flyOut};
    on.items.emplace_back(out);
  };
  box("bar", Flow::Row, 300, 100, {});
  for (const char* id : {"home", "plants", "map"}) button(id, "bar", 0, 0);
  box("fly", Flow::Column, 0, 4, {{"plants"}, Side::Below});
  for (const char* id : {"ferns", "mosses"}) button(id, "fly", 0, 0);
  box("more", Flow::Column, 0, 0, {{"ferns"}, Side::Right});
  for (const char* id : {"tall", "low"}) button(id, "more", 0, 0);
  button("far", nullptr, 20, 500);
  on.entry = {"home"};
}

Item& Bar::item(const std::string& id) {
  return *edit(screen(), ItemId{id});
}

}  // namespace bristle::test
