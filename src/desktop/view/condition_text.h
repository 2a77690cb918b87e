// A row of a card in which a condition over values is typed, with names.
#pragma once
#include <QString>
#include <functional>
#include <string>

#include "runtime/document/ids.h"

class QLineEdit;

namespace bristle {

class Form;
class Work;

// `set` gets what was typed, with ids, and says whether it was taken; what cannot be read is told
// and stays, marked. `where` is the screen whose buttons are meant first.
QLineEdit* conditionText(Work& work, Form& form, const QString& name,
                         std::function<ScreenId()> where,
                         std::function<bool(const std::string&)> set);
// As it is shown in one.
void refillCondition(const Work& work, QLineEdit* field, const std::string& condition);

}  // namespace bristle
