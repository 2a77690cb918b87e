// The rows of a card with which a sound is chosen, heard and made louder.
#pragma once
#include <QObject>
#include <functional>
#include <string>

class QLineEdit;
class QPushButton;

namespace bristle {

class Form;
class Work;

class SoundRows : public QObject {
  Q_OBJECT
 public:
  // `set` gets the file, beside the project, which can be played, or nothing for no sound; and the
  // volume, 0–1.
  using Set = std::function<void(const std::string& file, double volume)>;
  SoundRows(Work& work, Form& form, Set set);
  // A sound that is as loud as its file; `what` is when it is heard.
  SoundRows(Work& work, Form& form, const QString& what,
            std::function<void(const std::string&)> set);
  void show(const std::string& file, double volume);
  // With all its rows; what needs a sound is seen only where there is one.
  void setVisible(bool visible);

 private:
  void build(const QString& what, bool loud);
  void choose();
  bool setFile(const QString& file);
  Work& work_;
  Form& form_;
  Set set_;
  std::string file_;
  double volume_ = 1;
  QLineEdit *name_, *loud_ = nullptr;
  QPushButton *choose_, *hear_;
};

}  // namespace bristle
