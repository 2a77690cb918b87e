// bristle.h: what is to be seen, from whole screens down to a part's property.
#include "library/handles.h"
#include "runtime/machine/part_place.h"

using namespace bristle;

namespace {

bristle_matrix toC(const Affine& m) {
  return {m.a, m.b, m.c, m.d, m.e, m.f};
}
bristle_colour toC(Colour c) {
  return {c.r, c.g, c.b, c.a};
}

// Its stops lie in the run until the next one is asked for.
bristle_fill toC(bristle_run& run, const Fill& fill) {
  run.stops.clear();
  for (const Stop& stop : fill.stops) run.stops.push_back({stop.at, toC(stop.colour)});
  return {static_cast<int>(fill.type),
          fill.angle,
          fill.x,
          fill.y,
          fill.radius,
          run.stops.size(),
          run.stops.data()};
}

const std::vector<ScreenRun*>& seenOf(bristle_run& run) {
  if (run.seen.empty()) run.seen = run.session.seen();
  return run.seen;
}

// An item of a screen that is seen, with its look where it has one.
struct At {
  ScreenRun* screen = nullptr;
  size_t index = 0;
  const Item* item = nullptr;
  const Placed* placed = nullptr;
  ButtonRun* button = nullptr;  // null: nothing runs
  int box = -1;
  const Kind* kind = nullptr;
  const Look* look = nullptr;  // null: it has none
};

bristle_code find(bristle_run& run, size_t screen, size_t item, At& at) {
  const auto& seen = seenOf(run);
  if (screen >= seen.size() || item >= seen[screen]->screen->items.size())
    return BRISTLE_OUT_OF_RANGE;
  ScreenRun& on = *seen[screen];
  at = {&on, item, &*on.screen->items[item], &on.layout.items[item]};
  at.box = on.routes.boxOf[item];
  if (at.box >= 0) {
    at.button = &on.buttons[size_t(at.box)];
    at.kind = at.button->kind->kind;
    at.look = &at.button->player.at(run.session.now());
  } else if (const auto still = on.still.find(item); still != on.still.end()) {
    at.kind = bristle::find(run.session.project(), at.item->button()->kind);
    at.look = &still->second->state(0);
  }
  return BRISTLE_OK;
}

// A part of it; the whole is the last.
bristle_code findPart(bristle_run& run, size_t screen, size_t item, size_t part, At& at,
                      std::optional<PartValues>& values) {
  if (const bristle_code code = find(run, screen, item, at)) return code;
  if (!at.look || part > at.kind->parts.size()) return BRISTLE_OUT_OF_RANGE;
  size_t next = 0;
  const PartValues whole = eachPart(
      at.kind->parts, at.look->data(),
      [&](const Part&, const PartValues& each) {
        if (next++ == part) values.emplace(each);
      },
      at.screen->layout.rightToLeft);
  if (!values) values.emplace(whole);
  return BRISTLE_OK;
}

// One property of a part, as its sort of value.
template <class T>
bristle_code property(bristle_run* run, size_t screen, size_t item, size_t part, const char* key,
                      const T** out) {
  if (!run || !key) return BRISTLE_MISUSED;
  At at;
  std::optional<PartValues> values;
  if (const bristle_code code = findPart(*run, screen, item, part, at, values)) return code;
  const PropertyInfo* info = findProperty(values->type(), std::string_view(key));
  if (!info) return BRISTLE_NOT_THERE;
  *out = std::get_if<T>(&values->value(info->prop));
  return *out ? BRISTLE_OK : BRISTLE_OTHER_SORT;
}

int sortOf(const At& at) {
  if (at.item->button()) return at.placed->still ? BRISTLE_ITEM_STILL : BRISTLE_ITEM_BUTTON;
  if (at.item->container()) return BRISTLE_ITEM_CONTAINER;
  return std::holds_alternative<PanelData>(at.item->what) ? BRISTLE_ITEM_PANEL
                                                          : BRISTLE_ITEM_PICTURE;
}

void addButton(const bristle_run& run, const At& at, bristle_item& out) {
  const ButtonData& data = *at.item->button();
  const Project& project = run.session.project();
  const LanguageId& language = at.screen->layout.language;
  out.kind = data.kind.text.c_str();
  out.text = wordsIn(project, data.caption, language).c_str();
  out.description = wordsIn(project, data.description, language).c_str();
  if (at.kind) out.part_count = at.kind->parts.size() + 1;
  if (!at.button) {
    const Machine* machine = at.kind ? bristle::find(project, at.kind->machine) : nullptr;
    if (machine && !machine->states.empty()) out.state = machine->states[0].id.text.c_str();
    return;
  }
  const StateIndex state = at.button->player.state();
  const Signals& signals = at.button->running.signals;
  out.state = at.button->kind->machine->states[state].id.text.c_str();
  out.state_index = state;
  out.enabled = signals.has(Signals::Enabled);
  out.focused = at.screen->focus == at.box && at.screen == &run.session.stack().back();
  out.current = signals.has(Signals::Current);
  out.over = signals.has(Signals::Over);
  out.down = signals.has(Signals::Down);
}

}  // namespace

size_t bristle_screen_count(bristle_run* run) {
  return run ? seenOf(*run).size() : 0;
}

bristle_code bristle_screen_at(bristle_run* run, size_t index, bristle_screen* out) {
  if (!run || !out || out->size < sizeof(bristle_screen)) return BRISTLE_MISUSED;
  const auto& seen = seenOf(*run);
  if (index >= seen.size()) return BRISTLE_OUT_OF_RANGE;
  const ScreenRun& on = *seen[index];
  const ScreenMotion& motion = on.life.motion();
  const double presence = on.life.presence(run->session.now());
  const bool fades = motion.form == ScreenMotionForm::Fade && motion.follow == 0;
  const Size size{on.layout.width, on.layout.height};
  *out = {sizeof(bristle_screen),
          on.screen->id.text.c_str(),
          on.screen->name.c_str(),
          on.number,
          &on == &run->session.stack().back(),
          presence,
          fades ? presence : 1,
          toC(motion.follow == 0 ? motionAt(motion, presence, size, on.layout.rightToLeft,
                                            size.w * motion.x, size.h * motion.y)
                                 : Affine()),
          on.screen->dimBelow,
          on.screen->blurBelow,
          on.screen->items.size()};
  return BRISTLE_OK;
}

bristle_code bristle_screen_backdrop(bristle_run* run, size_t index, bristle_fill* out) {
  if (!run || !out) return BRISTLE_MISUSED;
  const auto& seen = seenOf(*run);
  if (index >= seen.size()) return BRISTLE_OUT_OF_RANGE;
  *out = toC(*run, seen[index]->screen->backdrop);
  return BRISTLE_OK;
}

bristle_code bristle_item_at(bristle_run* run, size_t screen, size_t item, bristle_item* out) {
  if (!run || !out || out->size < sizeof(bristle_item)) return BRISTLE_MISUSED;
  At at;
  if (const bristle_code code = find(*run, screen, item, at)) return code;
  const Placed& placed = *at.placed;
  const Box clip =
      placed.clip >= 0 ? at.screen->layout.clips[size_t(placed.clip)] : Box{0, 0, 0, 0};
  *out = {};
  out->size = sizeof(bristle_item);
  out->id = at.item->id.text.c_str();
  out->name = at.item->name.c_str();
  out->sort = sortOf(at);
  out->seen = placed.isSeen();
  out->x = placed.box.x, out->y = placed.box.y, out->w = placed.box.w, out->h = placed.box.h;
  const Box hit = at.box >= 0 ? at.screen->routes.input.boxes[size_t(at.box)] : Box{0, 0, 0, 0};
  out->hit_x = hit.x, out->hit_y = hit.y, out->hit_w = hit.w, out->hit_h = hit.h;
  out->scale = placed.scale;
  out->clipped = placed.clip >= 0;
  out->clip_x = clip.x, out->clip_y = clip.y, out->clip_w = clip.w, out->clip_h = clip.h;
  out->kind = out->state = out->text = out->description = out->file = "";
  out->presence = at.box >= 0 && at.screen->life.motion().follow > 0
                      ? at.screen->life.presence(run->session.now(), at.box)
                      : 1;
  if (at.item->button()) addButton(*run, at, *out);
  if (const auto* picture = std::get_if<PictureData>(&at.item->what))
    out->file = picture->file.c_str();
  return BRISTLE_OK;
}

bristle_code bristle_part_at(bristle_run* run, size_t screen, size_t item, size_t part,
                             bristle_part* out) {
  if (!run || !out || out->size < sizeof(bristle_part)) return BRISTLE_MISUSED;
  At at;
  std::optional<PartValues> values;
  if (const bristle_code code = findPart(*run, screen, item, part, at, values)) return code;
  const Box own = at.placed->own(), box{0, 0, own.w, own.h};
  const bool whole = values->type() == PartType::Whole;
  const Box rect = whole ? box : partBox(*values, box);
  *out = {sizeof(bristle_part),
          whole ? "" : at.kind->parts[part].id.text.c_str(),
          static_cast<int>(values->type()),
          rect.x,
          rect.y,
          rect.w,
          rect.h,
          values->number(Prop::Opacity) * (whole ? 1 : values->shown()),
          toC(whole ? wholeMotion(*values, box) : partMotion(*values, rect))};
  return BRISTLE_OK;
}

bristle_code bristle_look_number(bristle_run* run, size_t screen, size_t item, size_t part,
                                 const char* key, double* out) {
  const double* value = nullptr;
  const bool* flag = nullptr;
  if (!out) return BRISTLE_MISUSED;
  bristle_code code = property(run, screen, item, part, key, &value);
  if (code == BRISTLE_OK) *out = *value;
  if (code != BRISTLE_OTHER_SORT) return code;
  code = property(run, screen, item, part, key, &flag);
  if (code == BRISTLE_OK) *out = *flag ? 1 : 0;
  return code;
}

bristle_code bristle_look_text(bristle_run* run, size_t screen, size_t item, size_t part,
                               const char* key, const char** out) {
  const std::string* value = nullptr;
  if (!out) return BRISTLE_MISUSED;
  const bristle_code code = property(run, screen, item, part, key, &value);
  if (code == BRISTLE_OK) *out = value->c_str();
  return code;
}

bristle_code bristle_look_colour(bristle_run* run, size_t screen, size_t item, size_t part,
                                 const char* key, bristle_colour* out) {
  const Colour* value = nullptr;
  if (!out) return BRISTLE_MISUSED;
  const bristle_code code = property(run, screen, item, part, key, &value);
  if (code == BRISTLE_OK) *out = toC(*value);
  return code;
}

bristle_code bristle_look_fill(bristle_run* run, size_t screen, size_t item, size_t part,
                               const char* key, bristle_fill* out) {
  const Fill* value = nullptr;
  if (!out) return BRISTLE_MISUSED;
  const bristle_code code = property(run, screen, item, part, key, &value);
  if (code != BRISTLE_OK) return code;
  *out = toC(*run, *value);
  return BRISTLE_OK;
}

bristle_code bristle_look_shadow(bristle_run* run, size_t screen, size_t item, size_t part,
                                 const char* key, bristle_shadow* out) {
  const Shadow* value = nullptr;
  if (!out) return BRISTLE_MISUSED;
  const bristle_code code = property(run, screen, item, part, key, &value);
  if (code == BRISTLE_OK)
    *out = {value->dx, value->dy, value->blur, value->spread, toC(value->colour)};
  return code;
}

bristle_code bristle_look_four(bristle_run* run, size_t screen, size_t item, size_t part,
                               const char* key, double out[4]) {
  const Four* value = nullptr;
  if (!out) return BRISTLE_MISUSED;
  const bristle_code code = property(run, screen, item, part, key, &value);
  if (code == BRISTLE_OK)
    out[0] = value->a, out[1] = value->b, out[2] = value->c, out[3] = value->d;
  return code;
}
