// A row of a card: whether a button's icon shows the sign of a key or controller button.
#pragma once
#include <functional>
#include <optional>
#include <vector>

#include "runtime/document/project.h"

class QComboBox;

namespace bristle {

class Form;
class Work;

class PromptRow {
 public:
  // `set` gets what was chosen.
  PromptRow(Work& work, Form& form, std::function<void(const std::optional<Prompt>&)> set);
  // Hidden where the kind has no icon that could show it.
  void refresh(const ButtonData& button);

 private:
  Work& work_;
  Form& form_;
  std::vector<std::optional<Prompt>> offered_;
  QComboBox* choice_;
};

}  // namespace bristle
