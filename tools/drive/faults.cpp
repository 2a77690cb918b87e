#include "drive/faults.h"

#include <algorithm>

#include "core/edit/kind_edits.h"
#include "core/edit/named_edits.h"
#include "core/edit/screen_edits.h"

namespace bristle {
namespace {

class Planter {
 public:
  explicit Planter(Project& project) : project_(project) {
    for (size_t s = 0; s < project.screens.size(); ++s)
      for (const auto& item : project.screens[s]->items)
        if (item->button() && !item->button()->caption.empty() && !isStill(project, *item))
          free_.push_back({s, item->id});
  }

  void plant() {
    inButtons();
    inScreens();
    inKinds();
    inMachines();
    inTheWhole();
  }
  std::vector<std::string> planted;

 private:
  struct Spot {
    size_t screen;
    ItemId id;
  };
  // Each button once.
  bool button(const char* rule, const std::function<void(ButtonData&)>& change) {
    if (free_.empty()) return false;
    const Spot spot = free_.back();
    free_.pop_back();
    change(*edit(project_.screens[spot.screen].edit(), spot.id)->button());
    planted.emplace_back(rule);
    return true;
  }
  void perform(const char* rule, const Edit& edit) {
    auto after = edit.apply(project_);
    if (!after) return;
    project_ = std::move(*after);
    planted.emplace_back(rule);
  }

  void inButtons() {
    button("action", [](ButtonData& b) {
      b.actions = {{.type = ActionType::Open, .screen = {"screen-that-is-gone"}}};
    });
    button("idle-button", [](ButtonData& b) { b.actions.clear(); });
    button("accessible name", [](ButtonData& b) { b.caption = b.accessibleName = {}; });
    button("label-in-name", [](ButtonData& b) { b.accessibleName = "something else"; });
    button("placeholder", [](ButtonData& b) { b.caption = b.accessibleName = "Lorem ipsum"; });
    // On one that does not grow with its caption.
    const auto stiff = std::find_if(free_.begin(), free_.end(), [this](const Spot& spot) {
      const Kind& kind =
          *find(project_, findItem(*project_.screens[spot.screen], spot.id)->button()->kind);
      return !kind.fitsCaption &&
             std::none_of(kind.base.begin(), kind.base.end(),
                          [](const auto& each) { return each.first.prop == Prop::Overflow; });
    });
    if (stiff != free_.end()) std::rotate(free_.begin(), stiff + 1, free_.end());
    button("caption-cut", [](ButtonData& b) {
      b.accessibleName = {};
      b.caption = "A caption that says far more than any button has the room to say at all, and on";
    });
    button("condition", [](ButtonData& b) { b.when.enabled = "@value-that-is-gone > 1"; });
    button("steady-condition", [](ButtonData& b) { b.when.current = "1 > 2 and @planted > 1"; });
  }

  void inScreens() {
    Screen& first = project_.screens[0].edit();
    first.entry = {};
    planted.emplace_back("focus start");
    Item far;
    far.id = {"planted-far"};
    far.place = {{Pin::Start, 9000, 100, 0}, {Pin::Start, 100, 100, 0}};
    far.what = PictureData{"art/picture-that-is-gone.png"};
    first.items.emplace_back(far);
    planted.emplace_back("outside");
    planted.emplace_back("picture");
    perform("no-way-in", addScreen("Planted"));
    const KindId kind = project_.kinds[0]->id;
    const ScreenId screen = project_.screens.back()->id;
    for (const auto& [name, x, y] : {std::tuple("Here", 300., 300.), std::tuple("Here", 340., 320.),
                                     std::tuple("There", 300., 700.)})
      if (auto after = addButton(screen, kind, name, x, y).apply(project_))
        project_ = std::move(*after);
    Screen& other = project_.screens.back().edit();
    std::vector<ItemId> ids;
    for (auto& item : other.items)
      if (item.edit().button()) {
        item.edit().button()->actions = {{.type = ActionType::Back}};
        ids.push_back(item->id);
      }
    other.entry = ids[0];
    planted.emplace_back("same-name");
    planted.emplace_back("hit-overlap");
    // Past all that lies between.
    edit(other, ids[2])->button()->routes[Dir::Down] = {RouteType::Pinned, ids[0]};
    planted.emplace_back("odd-pin");
  }

  void inKinds() {
    Kind& kind = project_.kinds[0].edit();
    const Machine* machine = find(project_, kind.machine);
    StateId hover, focus;
    for (const State& state : machine->states) {
      if (state.role == Role::Hover) hover = state.id;
      if (state.role == Role::Focus) focus = state.id;
    }
    kind.departures[focus] = {};
    planted.emplace_back("focus-look");
    kind.departures[hover] = {};
    planted.emplace_back("told-apart");
    for (const Part& part : kind.parts)
      if (part.type == PartType::Label) {
        kind.base.set({part.id, Prop::Colour}, Colour{128, 128, 128, 255});
        for (auto& [state, look] : kind.departures)
          look.set({part.id, Prop::Colour}, Colour{128, 128, 128, 255});
        planted.emplace_back("contrast");
        break;
      }
    perform("unused", addKind("Planted", Wins::Hover));
  }

  void inMachines() {
    Machine& machine = project_.machines[0].edit();
    for (Transition& t : machine.transitions)
      if (t.on == Event::Press) {
        t.timing = machine.timing;
        t.timing->delay = 400;
        t.effects.push_back({.type = EffectType::Sound, .file = "sounds/that-is-gone.wav"});
        planted.emplace_back("slow-answer");
        planted.emplace_back("sound");
        break;
      }
    const auto release = std::find_if(machine.transitions.begin(), machine.transitions.end(),
                                      [](const Transition& t) { return t.on == Event::Release; });
    if (release == machine.transitions.end()) return;
    machine.transitions.erase(release);
    planted.emplace_back("law");
  }

  void inTheWhole() {
    project_.values.push_back({.id = {"planted"}, .name = "planted"});
    planted.emplace_back("value");
    project_.settings.leastHit = 400;
    planted.emplace_back("hit-size");
    project_.languages.push_back({{"xx"}, "xx", "Planted", false, {}, {}});
    planted.emplace_back("untranslated");
    Binding again = (project_.bindings.empty() ? standardBindings() : project_.bindings).front();
    if (project_.bindings.empty()) project_.bindings = standardBindings();
    again.does = Does::Cancel;
    project_.bindings.push_back(again);
    planted.emplace_back("binding");
  }

  Project& project_;
  std::vector<Spot> free_;
};

}  // namespace

std::vector<std::string> plantFaults(Project& project) {
  Planter planter(project);
  planter.plant();
  return planter.planted;
}

}  // namespace bristle
