#include "desktop/view/key_sign.h"

#include <QKeyEvent>
#include <array>

namespace bristle {
namespace {

struct Named {
  int key;
  const char* name;
};
constexpr std::array kNamed{Named{Qt::Key_Return, "Enter"},
                            Named{Qt::Key_Enter, "NumpadEnter"},
                            Named{Qt::Key_Space, "Space"},
                            Named{Qt::Key_Escape, "Escape"},
                            Named{Qt::Key_Backspace, "Backspace"},
                            Named{Qt::Key_Delete, "Delete"},
                            Named{Qt::Key_Insert, "Insert"},
                            Named{Qt::Key_Home, "Home"},
                            Named{Qt::Key_End, "End"},
                            Named{Qt::Key_PageUp, "PageUp"},
                            Named{Qt::Key_PageDown, "PageDown"},
                            Named{Qt::Key_Comma, "Comma"},
                            Named{Qt::Key_Period, "Period"},
                            Named{Qt::Key_Minus, "Minus"},
                            Named{Qt::Key_Equal, "Equal"},
                            Named{Qt::Key_Slash, "Slash"},
                            Named{Qt::Key_Semicolon, "Semicolon"},
                            Named{Qt::Key_BracketLeft, "BracketLeft"},
                            Named{Qt::Key_BracketRight, "BracketRight"}};

std::string nameOf(int key) {
  if (key >= Qt::Key_A && key <= Qt::Key_Z) return {static_cast<char>('A' + key - Qt::Key_A)};
  if (key >= Qt::Key_0 && key <= Qt::Key_9) return {static_cast<char>('0' + key - Qt::Key_0)};
  if (key >= Qt::Key_F1 && key <= Qt::Key_F12) return "F" + std::to_string(key - Qt::Key_F1 + 1);
  for (const Named& each : kNamed)
    if (each.key == key) return each.name;
  return {};
}

}  // namespace

std::optional<Sign> signOf(const QKeyEvent& event) {
  Sign out;
  out.name = nameOf(event.key());
  if (out.name.empty() || event.modifiers().testFlag(Qt::MetaModifier)) return {};
  out.ctrl = event.modifiers().testFlag(Qt::ControlModifier);
  out.alt = event.modifiers().testFlag(Qt::AltModifier);
  out.shift = event.modifiers().testFlag(Qt::ShiftModifier);
  return out;
}

}  // namespace bristle
