#include "support/lists.h"

#include "support/menus.h"

namespace bristle::test {

List::List(int entries, Scrolls scrolls, Follow follow) : project(columnMenu({"any"})) {
  project.displays = {{{"d"}, "", 1000, 600}};
  const KindId kind = project.kinds[0]->id;
  Screen& on = screen();
  on.items.clear();
  on.entry = {};
  const auto add = [&](const std::string& id, const char* parent, Px x, Px y, Px w, Px h) {
    Item out;
    out.id = {id};
    if (parent) out.parent = {parent};
    out.place = {{.offset = x, .size = w}, {.offset = y, .size = h}};
    ButtonData button;
    button.kind = kind;
    button.caption = id;
    out.what = button;
    on.items.emplace_back(out);
  };
  add("left", nullptr, 20, 280, 100, 40);
  Item box;
  box.id = {"list"};
  box.place = {{.offset = 200, .size = 300}, {.offset = 100, .size = 200}};
  box.what = ContainerData{.flow = scrolls == Scrolls::Across ? Flow::Row : Flow::Column,
                           .gap = 10,
                           .padding = 8,
                           .scrolls = scrolls,
                           .follow = follow};
  on.items.emplace_back(box);
  for (int i = 0; i < entries; ++i) add("e" + std::to_string(i), "list", 0, 0, 280, 40);
  add("above", nullptr, 200, 20, 280, 40);
  add("right", nullptr, 700, 120, 100, 40);
  add("below", nullptr, 200, 400, 280, 40);
}

Item& List::item(const std::string& id) {
  return *edit(screen(), ItemId{id});
}

ContainerData& List::list() {
  return *item("list").container();
}

}  // namespace bristle::test
