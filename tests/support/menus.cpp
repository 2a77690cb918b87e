#include "support/menus.h"

#include "core/edit/language_edits.h"
#include "core/edit/motion_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/route_edits.h"

namespace bristle::test {

void must(History& history, const Edit& edit) {
  const auto result = history.perform(edit);
  if (!result) throw std::runtime_error(edit.name + ": " + result.error().text());
}

Project after(const Project& project, const Edit& edit) {
  History history(project);
  must(history, edit);
  return history.now();
}

Project columnMenu(const std::vector<std::string>& captions) {
  History history(emptyProject());
  must(history, addKind("Entry", Wins::Hover));
  must(history, addScreen("First"));
  must(history, addSeries(history.now().screens[0]->id, history.now().kinds[0]->id, captions,
                          Flow::Column, 100, 100));
  return history.now();
}

Project placedMenu(const std::vector<Box>& boxes) {
  std::vector<std::string> captions;
  for (size_t i = 0; i < boxes.size(); ++i) captions.push_back("b" + std::to_string(i));
  Project project = columnMenu(captions);
  Screen& screen = *edit(project, project.screens[0]->id);
  std::erase_if(screen.items, [](const Shared<Item>& item) { return !item->button(); });
  for (size_t i = 0; i < boxes.size(); ++i) {
    Item& item = screen.items[i].edit();
    const Box& box = boxes[i];
    item.parent = {};
    item.place = {{Pin::Start, box.x, box.w, 0}, {Pin::Start, box.y, box.h, 0}};
  }
  return project;
}

std::vector<ItemId> buttons(const Project& project, size_t screen) {
  std::vector<ItemId> out;
  for (const auto& item : project.screens[screen]->items)
    if (item->button()) out.push_back(item->id);
  return out;
}

namespace {

// All that actions, values, screens that come and go and sounds can say.
void addDoing(Project& project, Screen& screen, const ItemId& button) {
  const ValueId value = freshId<ValueId>(project, "v");
  project.values.push_back(
      {.id = value, .name = "Level", .start = 2, .least = 0, .most = 4, .step = 0.5});
  project.values.push_back({.id = freshId<ValueId>(project, "v"),
                            .name = "Depth",
                            .start = 1,
                            .sort = ValueSort::Choice,
                            .options = {"shallow", "deep"}});
  project.settings.bumpSound = "bump.wav";
  project.settings.openSound = "open.wav";
  project.settings.backSound = "back.wav";
  project.settings.musicVolume = project.settings.cueVolume = value;
  const ScreenMotion slide{ScreenMotionForm::Slide, 300, {}, ScreenEdge::Top, 0.5, 0.5, 20};
  const ScreenMotion grow{ScreenMotionForm::Grow, 100, {}, ScreenEdge::Right, 0.25, 0.75};
  screen.comes = slide;
  screen.goes = grow;
  screen.sleeps = true;
  screen.beside = Beside::Through;
  screen.idle = {20'000, {{.type = ActionType::Speak, .language = project.languages[0].id}}};
  screen.blurBelow = 7;
  screen.music = {"deep.ogg", 0.5, Beneath::Stops};
  edit(screen, button)->shownWhen = "@" + value.text + " > 1 or visited(@" + button.text + ")";
  edit(screen, button)->button()->actions = {
      {.type = ActionType::Set, .value = value, .number = 3, .when = "@" + value.text + " = 1"},
      {.type = ActionType::Step, .value = value, .number = -2},
      {.type = ActionType::Flip, .value = value},
      {.type = ActionType::Toggle, .item = button},
      {.type = ActionType::Link, .message = "https://example.org/"},
      {.type = ActionType::Message, .message = "done"},
      {.type = ActionType::BackTo, .screen = project.first, .change = ScreenChange{slide, grow}}};
  for (auto& item : screen.items)
    if (item->container()) item.edit().container()->panels = true;
}

// What displays block, how screens grow, what scrolls and flies out, a reusable group, a bar.
void addPlacing(Project& project, const ScreenId& first, const ScreenId& second) {
  Display& display = project.displays[0];
  display.safe = {10, 20, 30, 40};
  display.corner = 50;
  display.perInch = 160;
  display.distance = 400;
  display.blocked = {{1, 2, 3, 4}, {5, 6, 7, 8}};
  edit(project, first)->scaling = Scaling::Smaller;
  edit(project, first)->drawnOn = project.displays[1].id;
  Screen& screen = *edit(project, second);
  ItemId back;
  for (const auto& item : screen.items)
    if (item->button()) back = item->id;
  Item& row = screen.items[screen.items.size() - 2].edit();
  row.place.safe = true;
  row.place.scaling = Scaling::None;
  row.place.y = {.pin = Pin::Fraction, .fraction = 0.25, .share = 0.5};
  row.container()->scrolls = Scrolls::Across;
  row.container()->follow = Follow::Page;
  row.container()->flyOut = {back, Side::Right, false, true, true};
  const ShortcutId shortcut = freshId<ShortcutId>(project, "c");
  project.shortcuts.push_back({shortcut, "Drop it", {{ActionType::Message, {}, "drop"}}});
  project.bindings.push_back({*parseSign(Sign::Of::Key, "Ctrl+Q"), Does::Shortcut, shortcut});
  screen.bindings.push_back({*parseSign(Sign::Of::Button, "start"), Does::Accept, {}});
  edit(screen, back)->button()->answers = {true, shortcut};
  edit(screen, back)->button()->aside = true;
  edit(screen, back)->button()->prompt = Prompt{Does::Shortcut, shortcut};
  project.settings.padSigns = PadSigns::Numbers;
  row.container()->tabs = Tabs::Round;
  addDoing(project, screen, back);
  ScreenList list;
  list.id = freshId<ListId>(project, "list");
  list.name = "Bar";
  screen.items.back().edit().container()->bar = list.id;
  Item pane;
  pane.id = freshId<ItemId>(project, "pane");
  pane.what = PanelData{Fill::solid({1, 2, 3, 4}), 5, 6};
  screen.items.emplace_back(pane);
  Item art;
  art.id = freshId<ItemId>(project, "art");
  art.what = PictureData{"art/a.svg", PictureFit::Contain, 0.25, 0.75, true};
  screen.items.emplace_back(art);
  project.lists.push_back(list);
  Group group;
  group.id = freshId<GroupId>(project, "g");
  group.name = "Stepper";
  group.ownExits = false;
  Item box;
  box.id = freshId<ItemId>(project, "c");
  box.what = ContainerData{};
  Item button;
  button.id = freshId<ItemId>(project, "b");
  button.parent = box.id;
  ButtonData data;
  data.kind = project.kinds[0]->id;
  data.caption = "less";
  button.what = data;
  group.holds.items.emplace_back(box);
  group.holds.items.emplace_back(button);
  project.groups.emplace_back(group);
}

}  // namespace

Project fullProject() {
  History history(columnMenu({"One", "Two", "Three"}));
  const KindId kind = history.now().kinds[0]->id;
  const ScreenId first = history.now().screens[0]->id;
  must(history, addPart(kind, PartType::Marker, "Arrow"));
  must(history, addPart(kind, PartType::Picture, "Art"));
  for (const Part& part : std::vector<Part>(history.now().kinds[0]->parts))
    if (part.type == PartType::Picture) must(history, movePart(kind, part.id, 10));
  const auto parts = history.now().kinds[0]->parts;
  must(history,
       setLook(kind, {StateId{"hover"}, StateId{"focused"}}, {parts[0].id, Prop::Fill},
               Fill::linear(45, {{0, {1, 2, 3, 255}}, {0.25, {9, 8, 7, 128}}, {1, {0, 0, 0, 0}}})));
  must(history, setLook(kind, {Column{}}, {parts[0].id, Prop::Shadow},
                        Shadow{1, -2, 6, 3, {10, 20, 30, 40}}));
  must(history, setLook(kind, {Column{}}, {parts[4].id, Prop::File}, std::string("art/a.png")));
  must(history, changeKind(kind, "all", {}, [](Kind& k) {
         k.fitsCaption = true;
         k.captionPadding = 31;
         k.hitPadding = 7;
         k.hitForm = HitForm::Alpha;
         k.hitAlpha = 0.25;
         k.sizesDiffer = true;
       }));
  must(history, addPart(kind, PartType::Icon, "Sign"));
  must(history, addNamed(NamedType::Colour, "tide.bright", Colour{7, 77, 177, 200}));
  const NamedId tide = history.now().named->back().id;
  must(history, addNamed(NamedType::Length, "corner", 9.5));
  const NamedId corner = history.now().named->back().id;
  must(history, addNamed(NamedType::Easing, "soft", *parseEasing("steps 5 start")));
  must(history, addNamed(NamedType::Colour, "text", NamedRef{tide}));
  must(history, setNamed(tide, true, Colour{1, 2, 3, 255}));
  must(history, changeCells({kind},
                            {{Column{}, {parts[0].id, Prop::Radius}, NamedRef{corner}},
                             {StateId{"pressed"}, {parts[0].id, Prop::Radius}, Four{1, 2, 3, 4}},
                             {Column{}, {parts[2].id, Prop::Colour}, NamedRef{tide}},
                             {StateId{"pressed"},
                              {parts[0].id, Prop::Fill},
                              *parseValue("#111 #222 radial 0.3 0.4 0.9", Fill{}, nullptr)},
                             {StateId{"disabled"},
                              {parts[0].id, Prop::Fill},
                              Fill{FillType::Solid, 90, {{0, {7, 77, 177, 200}, tide}}}},
                             {StateId{"hover"},
                              {parts[0].id, Prop::Glow},
                              Shadow{0, 0, 9, 0, {7, 77, 177, 90}, tide}}},
                            "all"));
  must(history,
       setMotion(kind, {"hover"},
                 StateMotion{40,
                             900,
                             3,
                             {{{{}, Prop::Scale}, {{0, 0, {}}, {0.5, 0.05, {}}, {1, 0, {}}}},
                              {{parts[2].id, Prop::OffsetX}, {{0.25, -4, {}}}}}},
                 "move"));
  must(history, addScreen("Second"));
  const ScreenId second = history.now().screens[1]->id;
  const auto ids = buttons(history.now());
  const LookOwner own{kind, first, ids[0]};
  must(history, setLook(own, {Column{}}, {parts[2].id, Prop::Size}, 33.0));
  must(history, setLook(own, {StateId{"hover"}}, {{}, Prop::Scale}, 1.25));
  must(history, setAction(first, ids[0], {ActionType::PutOnTop, second, {}}));
  must(history, setAction(first, ids[1], {ActionType::Message, {}, "go"}));
  must(history, setRoute(first, ids[0], Dir::Up, {RouteType::Pinned, ids[2]}));
  must(history, setRoute(first, ids[1], Dir::Left, {RouteType::Closed, {}}));
  must(history, setRoute(first, ids[1], Dir::Right, {RouteType::Pinned, ids[2]}));
  must(history, setRoute(first, ids[2], Dir::Down, {RouteType::Wrap, {}}));
  must(history, setRouteOn(first, ids[2], Dir::Left, history.now().displays[1].id,
                           RouteRule{RouteType::Pinned, ids[0]}));
  must(history, setCarries(first, {ids[2]}, Dir::Down,
                           {RouteMotion{320, {EasingType::Linear}}, "sounds/whoosh.wav", 0.25}));
  must(history, setCarries(first, {ids[2]}, Dir::Left, {.motion = {}, .sound = "thud.ogg"}));
  must(history, addLanguage("ar", "العربية"));
  const LanguageId arabic = history.now().languages.back().id;
  must(history, changeItems(first, {ids[0]}, "words", {}, [&](Item& item) {
         item.button()->caption.others[arabic] = "واحد";
         item.button()->accessibleName = "The first";
         item.button()->description = "Leads on";
         item.button()->routes.where.push_back({{}, arabic, Dir::Right, {RouteType::Closed, {}}});
       }));
  must(history, changeItems(first, {history.now().screens[0]->items[0]->id}, "clip", {},
                            [](Item& item) { item.container()->clips = true; }));
  Item panel;
  panel.place = {{Pin::Both, 10, 0, 20}, {Pin::End, 30, 40, 0}};
  panel.what = PanelData{Fill::solid({5, 6, 7, 255}), 12};
  must(history, addItem(second, "panel", panel));
  Item picture;
  picture.locked = picture.hidden = true;
  picture.what = PictureData{"art/b.png"};
  must(history, addItem(second, "picture", picture));
  must(history, addButton(second, kind, "Back", 5, 6));
  Item row;
  ContainerData grid{Flow::Grid, 8, 4, Across::Centre, false, Along::Spread, true, true};
  grid.lineGap = 3;
  grid.columns = 5;
  grid.cells = Cells::Fixed;
  grid.cellWidth = 70;
  grid.cellHeight = 50;
  grid.start = -45;
  grid.sweep = 270;
  grid.radius = 120;
  row.what = grid;
  row.place.x = {.rest = 2, .least = 10, .most = 900};
  row.columns = 2;
  row.rows = 3;
  must(history, addItem(second, "row", row));
  Project project = history.now();
  Screen& screen = *edit(project, second);
  Item inner = *screen.items.back();
  inner.parent = inner.id;
  inner.id = freshId<ItemId>(project, "c");
  screen.items.emplace_back(inner);  // a row in a row
  Cluster cluster{freshId<ClusterId>(project, "g"), "Front", {ids[0], ids[1]}, {}, {}, {}};
  cluster.enter = Enter::Chosen;
  cluster.chosen = ids[1];
  cluster.leave = Leave::Ends;
  cluster.ring = {2, 4, 6, {1, 2, 3, 4}};
  cluster.exits = {RouteRule{RouteType::Closed, {}}, RouteRule{RouteType::Pinned, cluster.id},
                   RouteRule{RouteType::Pinned, ids[2]}, RouteRule{}};
  edit(project, first)->clusters.push_back(cluster);
  edit(*edit(project, first), ids[2])->button()->routes[Dir::Right] = {RouteType::Pinned,
                                                                       cluster.id};
  project.values.push_back({{"v1"}, "dives", 2, {}});
  edit(*edit(project, first), ids[2])->button()->when = {"@v1 >= 1", "@v1 = 2"};
  edit(project, first)->comes = {ScreenMotionForm::Fade, 350, *parseEasing("linear")};
  edit(project, first)->goes = {ScreenMotionForm::Fade, 90, {}};
  edit(project, first)->waitUntilShown = true;
  edit(project, first)->guides = {{true, 120}, {false, -64.5}};
  edit(project, first)->guidesLocked = true;
  Machine& machine = *edit(project, project.machines[0]->id);
  Transition t;
  t.from = StateId{"hover"};
  t.on = Event::After;
  t.after = 250;
  t.guard = "over and @v1 > 1";
  t.to = {"focused"};
  t.effects = {{.type = EffectType::SetValue, .value = {"v1"}, .formula = "@v1 + 1"},
               {.type = EffectType::Message, .message = "tick"},
               {.type = EffectType::Sound, .file = "sounds/tick.wav", .volume = 0.4}};
  t.propTimings = {{Prop::Opacity, {60, 10, *parseEasing("spring 200 0.4"), {}, {}}}};
  machine.propTimings = {{Prop::Fill, {300, 0, *parseEasing("linear"), {}, {}}}};
  machine.transitions.push_back(t);
  machine.waivers = {{6, "kept for later"}};
  machine.hold = 700;
  machine.timing.namedEasing = project.named->at(2).id;
  project.settings.leastHit = 44;
  project.settings.leastHitMm = 9;
  project.settings.leastText = 20;
  project.settings.leastGap = 3;
  project.settings.rulesOff = {"unused"};
  project.accepted = {{"reach screen s1", "only by touch", "2026-11-30"}};
  project.deliveries = {{freshId<DeliveryId>(project, "d"),
                         "For the build",
                         "handed over",
                         {{OutputSort::Page},
                          {OutputSort::Specification, 1, false, false, true, 0, "old.bristle"},
                          {OutputSort::Sheets, 2, true, true, false, 30}}}};
  project.settings.darkSet = true;
  project.settings.gridWidth = 12;
  project.settings.gridHeight = 6.5;
  addPlacing(project, first, second);
  return project;
}

Playing::Playing(const Project& project)
    : session_([&] {
        auto started = Session::start(project, project.displays[0], measure_);
        if (!started) throw std::runtime_error(started.error().text());
        return std::move(*started);
      }()) {}

std::vector<std::string> Playing::lines() {
  std::vector<std::string> out;
  for (; seen_ < session_.trace().size(); ++seen_) out.push_back(toLine(session_.trace()[seen_]));
  return out;
}

std::vector<std::string> Playing::feed(InputEvent event) {
  event.at = now;
  session_.feed(event);
  return lines();
}

std::vector<std::string> Playing::key(InputType type, bool down, Device device) {
  return feed({now, type, device, 0, 0, Dir::Up, down});
}

std::vector<std::string> Playing::move(Dir dir, bool release) {
  auto out = feed({now, InputType::Move, Device::Keyboard, 0, 0, dir, true});
  if (release)
    for (auto& line : feed({now, InputType::Move, Device::Keyboard, 0, 0, dir, false}))
      out.push_back(line);
  return out;
}

std::vector<std::string> Playing::point(InputType type, double x, double y, Device device) {
  return feed({now, type, device, x, y, Dir::Up, true});
}

std::vector<std::string> Playing::point(InputType type, const ItemId& button) {
  const ScreenRun& run = session_.stack().back();
  for (size_t i = 0; i < run.buttons.size(); ++i) {
    const Box& box = run.routes.input.boxes[i];
    if (run.buttons[i].item->id == button) return point(type, box.x + box.w / 2, box.y + box.h / 2);
  }
  throw std::runtime_error("no button " + button.text);
}

std::vector<std::string> Playing::wait(Ms ms) {
  now += ms;
  return feed({now, InputType::Tick, Device::Keyboard, 0, 0, Dir::Up, true});
}

std::string sourcePath(const std::string& relative) {
  return std::string(BRISTLE_SOURCE) + "/" + relative;
}

}  // namespace bristle::test
