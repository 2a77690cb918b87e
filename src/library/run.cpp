// bristle.h: a run is started, fed, and tells what happened.
#include <cmath>

#include "library/handles.h"
#include "library/why.h"

using namespace bristle;

namespace {

std::string textOf(const char* text) {
  return text ? text : "";
}

// Key of a stick among those of its controller; the D-pad's is 0.
constexpr int kStickKey = 1;

const Screen* topOf(const bristle_run& run) {
  const auto& stack = run.session.stack();
  return stack.empty() ? nullptr : stack.back().screen;
}

// What a number of the interface stands for; nothing where it is none of them.
template <class Enum>
std::optional<Enum> among(int number, Enum last) {
  if (number < 0 || number > static_cast<int>(last)) return {};
  return static_cast<Enum>(number);
}

}  // namespace

bristle_code bristle_start(const bristle_menu* menu, const char* display, const char* language,
                           const char* screen, bristle_run** run, char* why, size_t why_size) {
  if (!menu || !run) return told(BRISTLE_MISUSED, "menu and run are needed", why, why_size);
  const auto showing = showingOf(menu->project, {textOf(display)}, {textOf(language)});
  if (!showing) return told(BRISTLE_NOT_THERE, showing.error().text(), why, why_size);
  const ScreenId first{textOf(screen)};
  if (first && !find(menu->project, first))
    return told(BRISTLE_NOT_THERE, "no screen “" + first.text + "”", why, why_size);
  auto session = Session::start(menu->project, *showing, menu->measure, first);
  if (!session) return told(BRISTLE_UNREADABLE, session.error().text(), why, why_size);
  *run = new bristle_run(*menu, std::move(*session));
  return BRISTLE_OK;
}

void bristle_stop(bristle_run* run) {
  delete run;
}

bristle_code bristle_reduce_motion(bristle_run* run, int reduced) {
  if (!run) return BRISTLE_MISUSED;
  run->session.setReducedMotion(reduced != 0);
  return BRISTLE_OK;
}

bristle_code bristle_step(bristle_run* run, int64_t at) {
  if (!run) return BRISTLE_MISUSED;
  run->feed({.at = at});
  return BRISTLE_OK;
}

int64_t bristle_now(const bristle_run* run) {
  return run ? run->session.now() : 0;
}

int bristle_moving(const bristle_run* run) {
  return run && run->session.moving();
}

int bristle_ended(const bristle_run* run) {
  return !run || run->session.ended();
}

bristle_code bristle_feed(bristle_run* run, const bristle_event* event) {
  if (!run || !event || event->size < sizeof(bristle_event)) return BRISTLE_MISUSED;
  const auto type = among(event->input, InputType::Shortcut);
  const auto device = among(event->device, Device::Controller);
  const auto dir = among(event->direction, Dir::Right);
  const bool finite =
      std::isfinite(event->x) && std::isfinite(event->y) && std::isfinite(event->number);
  if (!type || !device || !dir || !finite) return BRISTLE_OUT_OF_RANGE;
  InputEvent out{event->at,        *type,
                 *device,          event->x,
                 event->y,         *dir,
                 event->down != 0, event->unit,
                 event->key,       textOf(event->name),
                 event->number};
  run->feed(out);
  return BRISTLE_OK;
}

bristle_code bristle_press_sign(bristle_run* run, int64_t at, bristle_sign_of of, const char* name,
                                int modifiers, int unit) {
  if (!run || !name) return BRISTLE_MISUSED;
  const auto which = among(of, Sign::Of::Button);
  Sign sign{which.value_or(Sign::Of::Key), name, (modifiers & BRISTLE_CTRL) != 0,
            (modifiers & BRISTLE_ALT) != 0, (modifiers & BRISTLE_SHIFT) != 0};
  if (!which || placeOf(sign) < 0) return BRISTLE_NOT_THERE;
  run->feed({.at = at});  // another screen may be on top by then
  auto event = run->signs.down(run->session.project(), topOf(*run), sign, unit);
  if (!event) return BRISTLE_OK;
  event->at = at;
  run->feed(*event);
  return BRISTLE_OK;
}

bristle_code bristle_release_sign(bristle_run* run, int64_t at, bristle_sign_of of,
                                  const char* name, int unit) {
  if (!run || !name) return BRISTLE_MISUSED;
  const auto which = among(of, Sign::Of::Button);
  const Sign sign{which.value_or(Sign::Of::Key), name};
  if (!which || placeOf(sign) < 0) return BRISTLE_NOT_THERE;
  auto event = run->signs.up(sign, unit);
  if (!event) return bristle_step(run, at);
  event->at = at;
  run->feed(*event);
  return BRISTLE_OK;
}

bristle_code bristle_stick(bristle_run* run, int64_t at, int unit, double x, double y) {
  if (!run) return BRISTLE_MISUSED;
  if (!std::isfinite(x) || !std::isfinite(y)) return BRISTLE_OUT_OF_RANGE;
  Stick& stick = run->sticks[unit];
  const auto before = stick.held(), after = stick.update(x, y);
  const auto send = [&](Dir dir, bool down) {
    run->feed({.at = at,
               .type = InputType::Move,
               .device = Device::Controller,
               .dir = dir,
               .down = down,
               .unit = unit,
               .key = kStickKey});
  };
  if (before == after) return bristle_step(run, at);
  if (before) send(*before, false);
  if (after) send(*after, true);
  return BRISTLE_OK;
}

size_t bristle_happened_count(const bristle_run* run) {
  return run ? run->session.trace().size() : 0;
}

bristle_code bristle_happened_at(bristle_run* run, size_t index, bristle_happening* happening) {
  if (!run || !happening || happening->size < sizeof(bristle_happening)) return BRISTLE_MISUSED;
  if (index >= run->session.trace().size()) return BRISTLE_OUT_OF_RANGE;
  const TraceEntry& e = run->session.trace()[index];
  run->line = toLine(e);
  const bool state = e.type == TraceType::State;
  *happening = {sizeof(bristle_happening),
                e.at,
                static_cast<int>(e.type),
                e.item.text.c_str(),
                state ? e.fromState.text.c_str() : e.fromItem.text.c_str(),
                e.toState.text.c_str(),
                e.screen.text.c_str(),
                e.value.text.c_str(),
                e.how.c_str(),
                e.number,
                run->line.c_str()};
  return BRISTLE_OK;
}

bristle_code bristle_happened_clear(bristle_run* run) {
  if (!run) return BRISTLE_MISUSED;
  run->session.drainTrace();
  return BRISTLE_OK;
}

bristle_code bristle_value_get(const bristle_run* run, const char* value, double* out) {
  if (!run || !value || !out) return BRISTLE_MISUSED;
  if (!find(run->menu.project, ValueId{value})) return BRISTLE_NOT_THERE;
  *out = run->session.value({value});
  return BRISTLE_OK;
}

bristle_code bristle_value_set(bristle_run* run, int64_t at, const char* value, double number) {
  if (!run || !value) return BRISTLE_MISUSED;
  if (!find(run->menu.project, ValueId{value})) return BRISTLE_NOT_THERE;
  if (!std::isfinite(number)) return BRISTLE_OUT_OF_RANGE;
  run->feed({.at = at, .type = InputType::SetValue, .name = value, .number = number});
  return BRISTLE_OK;
}

const char* bristle_focus(bristle_run* run) {
  if (!run) return "";
  run->focus = run->session.focused().text;
  return run->focus.c_str();
}

bristle_code bristle_route(bristle_run* run, const char* from, bristle_direction direction,
                           const char** to, const char** how) {
  if (!run || !from || !to) return BRISTLE_MISUSED;
  const auto dir = among(direction, static_cast<bristle_direction>(BRISTLE_RIGHT));
  if (!dir) return BRISTLE_OUT_OF_RANGE;
  if (run->session.stack().empty()) return BRISTLE_NOT_THERE;
  const ScreenRun& top = run->session.stack().back();
  for (size_t box = 0; box < top.buttons.size(); ++box) {
    if (top.buttons[box].item->id.text != from) continue;
    run->move = resolveMove(top, static_cast<int>(box), static_cast<Dir>(direction));
    *to = run->move.target < 0 ? "" : top.buttons[size_t(run->move.target)].item->id.text.c_str();
    if (how) *how = run->move.how;
    return BRISTLE_OK;
  }
  return BRISTLE_NOT_THERE;
}
