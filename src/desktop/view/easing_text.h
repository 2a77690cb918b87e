// A row of a card in which an easing is typed.
#pragma once
#include <functional>

#include "runtime/document/value.h"

class QLineEdit;

namespace bristle {

class Form;
class Work;

// `set` gets what was typed; what is none is told, with what is expected, and stays, marked.
QLineEdit* easingText(Work& work, Form& form, std::function<void(const Easing&)> set);

}  // namespace bristle
