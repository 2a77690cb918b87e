#include "core/edit/button_edits.h"

#include <algorithm>
#include <cctype>

#include "core/edit/kind_edits.h"
#include "core/edit/screen_edits.h"
#include "core/edit/tree_edits.h"

namespace bristle {
namespace {

struct Word {
  std::string_view word;
  Role role;
};
// What people call the states of a button in the names of their files.
constexpr Word kWords[] = {
    {"normal", Role::Rest},       {"rest", Role::Rest},       {"up", Role::Rest},
    {"idle", Role::Rest},         {"default", Role::Rest},    {"hover", Role::Hover},
    {"over", Role::Hover},        {"highlight", Role::Hover}, {"pressed", Role::Press},
    {"press", Role::Press},       {"down", Role::Press},      {"active", Role::Press},
    {"focused", Role::Focus},     {"focus", Role::Focus},     {"selected", Role::Focus},
    {"disabled", Role::Disabled}, {"off", Role::Disabled},    {"inactive", Role::Disabled},
};

constexpr std::string_view kBetween = "-_. ";

std::string lower(std::string_view text) {
  std::string out(text);
  for (char& c : out) c = static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
  return out;
}

// "dive-hover" → "dive" and hover; nothing where the last word is no state's.
std::optional<std::pair<std::string, Role>> split(std::string_view stem) {
  const auto at = stem.find_last_of(kBetween);
  const std::string last = lower(at == stem.npos ? stem : stem.substr(at + 1));
  for (const Word& w : kWords) {
    if (w.word != last) continue;
    std::string rest(at == stem.npos ? std::string_view() : stem.substr(0, at));
    while (!rest.empty() && kBetween.find(rest.back()) != kBetween.npos) rest.pop_back();
    return std::pair(rest, w.role);
  }
  return {};
}

std::string stemOf(const std::string& name) {
  const auto dot = name.rfind('.');
  return dot == name.npos || dot == 0 ? name : name.substr(0, dot);
}

StateId stateOf(const Machine& machine, Role role) {
  for (const State& state : machine.states)
    if (state.role == role) return state.id;
  return {};
}

// The freshest kind without the parts of a plain one but its focus ring, and with one picture.
void makePictureKind(Project& project, Kind& kind, const StatePictures& p) {
  const Machine& machine = *find(project, kind.machine);
  const PartId ring = kind.parts[1].id, caption = kind.parts[2].id, picture = kind.parts[0].id;
  kind.width = p.width;
  kind.height = p.height;
  kind.base.clearPart(picture);
  for (auto& entry : kind.departures) entry.second.clearPart(picture);
  kind.parts[0] = {picture, "Picture", PartType::Picture, {}};
  kind.base.set({picture, Prop::File}, p.files.at(Role::Rest));
  kind.base.set({picture, Prop::Fit}, std::string("whole"));
  for (const auto& [role, file] : p.files)
    if (const StateId state = stateOf(machine, role); state && role != Role::Rest)
      kind.departures[state].set({picture, Prop::File}, file);
  const auto state = [&](Role role) -> LookValues& {
    return kind.departures[stateOf(machine, role)];
  };
  if (!p.files.contains(Role::Hover))
    state(Role::Hover).set({picture, Prop::Tint}, Colour{255, 255, 255, 38});
  if (!p.files.contains(Role::Press))
    state(Role::Press).set({picture, Prop::Tint}, Colour{0, 0, 0, 60});
  if (!p.files.contains(Role::Disabled)) {
    state(Role::Disabled).set({picture, Prop::Opacity}, 0.4);
  }
  if (p.files.contains(Role::Focus)) {
    kind.base.clearPart(ring);
    for (auto& entry : kind.departures) entry.second.clearPart(ring);
    std::erase_if(kind.parts, [&](const Part& part) { return part.id == ring; });
  }
  if (p.caption.empty()) {
    kind.base.clearPart(caption);
    for (auto& entry : kind.departures) entry.second.clearPart(caption);
    std::erase_if(kind.parts, [&](const Part& part) { return part.id == caption; });
  }
  kind.sampleCaption = p.caption.empty() ? p.name : p.caption;
  std::erase_if(kind.departures, [](const auto& entry) { return entry.second.empty(); });
}

Result<Project> withPictureKind(const Project& before, const StatePictures& pictures) {
  if (!pictures.files.contains(Role::Rest))
    return fail(pictures.name, "expected a picture of the resting state");
  auto after =
      addKind(pictures.name.empty() ? "Picture" : pictures.name, Wins::Hover).apply(before);
  if (!after) return after;
  makePictureKind(*after, *edit(*after, after->kinds.back()->id), pictures);
  return after;
}

const Item* buttonItem(const Project& project, const ScreenId& screenId, const ItemId& itemId) {
  const Screen* screen = find(project, screenId);
  const Item* item = screen ? findItem(*screen, itemId) : nullptr;
  return item && item->button() ? item : nullptr;
}

}  // namespace

Edit clearOwn(ScreenId screen, ItemId item) {
  return changeItems(std::move(screen), {std::move(item)}, "back to the kind", {}, [](Item& i) {
    if (auto* button = i.button()) button->own = {};
  });
}

Edit detach(ScreenId screen, ItemId item) {
  return {"detach from kind", {}, [=](const Project& before) -> Result<Project> {
            const Item* placed = buttonItem(before, screen, item);
            const Kind* kind = placed ? find(before, placed->button()->kind) : nullptr;
            if (!kind) return fail({}, "that button has no kind");
            auto after = duplicateKind(kind->id).apply(before);
            if (!after) return after;
            Kind& own = *edit(*after, after->kinds.back()->id);
            std::vector<std::string> names;
            for (const auto& other : before.kinds) names.push_back(other->name);
            own.name = freeName(names, displayName(*placed));
            own.sampleCaption = placed->button()->caption.base;
            // What the button held for parts of another kind that it once was stays behind.
            for (const auto& [key, value] : placed->button()->own.base)
              if (partType(own, key.part)) own.base.set(key, value);
            for (const auto& [state, values] : placed->button()->own.departures)
              for (const auto& [key, value] : values)
                if (partType(own, key.part)) own.departures[state].set(key, value);
            ButtonData& button = *edit(*edit(*after, screen), item)->button();
            button.kind = own.id;
            button.own = {};
            return after;
          }};
}

Edit buttonFrom(ScreenId screen, ItemId item) {
  return {"make a button of it", {}, [=](const Project& before) -> Result<Project> {
            const Screen* on = find(before, screen);
            const Item* placed = on ? findItem(*on, item) : nullptr;
            const auto* panel = placed ? std::get_if<PanelData>(&placed->what) : nullptr;
            const auto* picture = placed ? std::get_if<PictureData>(&placed->what) : nullptr;
            if (!panel && !picture) return fail({}, "expected a panel or a picture");
            const auto size = [](const AxisPlace& axis, Px otherwise) {
              return axis.size > 0 ? axis.size : otherwise;
            };
            const Px w = size(placed->place.x, 320), h = size(placed->place.y, 200);
            const std::string name = displayName(*placed);
            auto after =
                picture ? withPictureKind(before, {name, w, h, {{Role::Rest, picture->file}}, {}})
                        : addKind(name, Wins::Hover).apply(before);
            if (!after) return after;
            Kind& kind = *edit(*after, after->kinds.back()->id);
            if (panel) {
              kind.width = w;
              kind.height = h;
              const PartId plate = kind.parts[0].id;
              kind.base.set({plate, Prop::Fill}, panel->fill);
              kind.base.set({plate, Prop::Radius}, Four::all(panel->radius));
              kind.base.set({plate, Prop::BorderWidth}, 0.0);
              kind.base.set({kind.parts[1].id, Prop::Radius}, Four::all(panel->radius + 5));
            }
            Item& made = *edit(*edit(*after, screen), item);
            ButtonData button;
            button.kind = kind.id;
            button.caption = panel ? name : std::string();
            button.accessibleName = name;
            made.what = button;
            made.locked = false;
            return after;
          }};
}

Edit kindFromPictures(StatePictures pictures) {
  return {"new kind from pictures", {}, [=](const Project& before) {
            return withPictureKind(before, pictures);
          }};
}

Edit kindsFromPictures(std::vector<StatePictures> all, ScreenId screen, Px x, Px y) {
  return {"new kinds from pictures", {}, [=](const Project& before) -> Result<Project> {
            Project now = before;
            std::vector<ItemId> placed;
            for (const StatePictures& one : all) {
              auto made = withPictureKind(now, one);
              if (!made) return made;
              now = std::move(*made);
              if (!screen) continue;
              auto with = addButton(screen, now.kinds.back()->id, "", x, y).apply(now);
              if (!with) return with;
              now = std::move(*with);
              Screen& on = *edit(now, screen);
              Item& item = on.items.back().edit();
              item.button()->accessibleName = one.name;
              placed.push_back(item.id);
            }
            if (placed.size() < 2) return now;
            return gather(screen, placed, {.flow = Flow::Row, .x = x, .y = y}).apply(now);
          }};
}

Edit placeCut(std::string name, std::string background, std::vector<CutButton> buttons) {
  return {"cut buttons from a picture", {}, [=](const Project& before) -> Result<Project> {
            if (buttons.empty()) return fail({}, "mark at least one button");
            auto now = addScreen(name).apply(before);
            if (!now) return now;
            const ScreenId screen = now->screens.back()->id;
            Item ground;
            ground.name = "Background";
            ground.locked = true;
            ground.place = {{Pin::Both, 0, 0, 0}, {Pin::Both, 0, 0, 0}};
            ground.what = PictureData{background};
            now = addItem(screen, "background", ground).apply(*now);
            for (const CutButton& button : buttons) {
              if (!now) return now;
              now = withPictureKind(*now, button.pictures);
              if (!now) return now;
              now = addButton(screen, now->kinds.back()->id, "", button.x, button.y).apply(*now);
              if (!now) return now;
              Item& item = edit(*now, screen)->items.back().edit();
              item.name = button.pictures.name;
              item.button()->accessibleName = item.name;
            }
            return now;
          }};
}

std::optional<Role> roleOfName(std::string_view name) {
  const auto parts = split(name);
  if (!parts) return {};
  return parts->second;
}

std::vector<std::pair<std::string, std::map<Role, std::string>>> groupByState(
    const std::vector<NamedFile>& files) {
  std::vector<std::pair<std::string, std::map<Role, std::string>>> out;
  const auto group = [&](const std::string& name) -> std::map<Role, std::string>& {
    for (auto& entry : out)
      if (lower(entry.first) == lower(name)) return entry.second;
    return out.emplace_back(name, std::map<Role, std::string>{}).second;
  };
  for (const NamedFile& file : files) {
    const std::string stem = stemOf(file.name);
    const auto parts = split(stem);
    const bool isState = parts && !parts->first.empty();
    auto& roles = group(isState ? parts->first : stem);
    const Role role = isState ? parts->second : Role::Rest;
    if (!roles.try_emplace(role, file.file).second) group(stem + " 2").emplace(role, file.file);
  }
  // A group without a resting picture rests in the first that it has.
  for (auto& entry : out)
    if (!entry.second.contains(Role::Rest)) entry.second[Role::Rest] = entry.second.begin()->second;
  return out;
}

}  // namespace bristle
