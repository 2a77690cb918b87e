#include "desktop/motion/event_choice.h"

#include <algorithm>

#include "paint/convert.h"

namespace bristle {
namespace {

constexpr Event kEvents[] = {
    Event::OverBegin, Event::OverEnd,      Event::Press,      Event::Release,
    Event::Abandon,   Event::FocusGain,    Event::FocusLose,  Event::Enable,
    Event::Disable,   Event::CurrentBegin, Event::CurrentEnd, Event::Hold,
    Event::Repeat,    Event::After,        Event::Message,    Event::Unlock};
constexpr Ms kFirstAfter = 200;

}  // namespace

QStringList eventNames() {
  QStringList out;
  for (const Event e : kEvents) out << toQt(std::string(nameOf(e)));
  return out;
}

int eventIndex(Event event) {
  return int(std::find(std::begin(kEvents), std::end(kEvents), event) - std::begin(kEvents));
}

void setEvent(Transition& t, int index) {
  t.on = kEvents[index];
  if (t.on == Event::Message && t.message.empty()) t.message = "message";
  if (t.on == Event::After && t.after == 0) t.after = kFirstAfter;
}

}  // namespace bristle
