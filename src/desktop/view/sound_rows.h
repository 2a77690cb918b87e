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
  void show(const std::string& file, double volume);
  // With all its rows; what needs a sound is seen only where there is one.
  void setVisible(bool visible);

 private:
  void choose();
  bool setFile(const QString& file);
  Work& work_;
  Form& form_;
  Set set_;
  std::string file_;
  double volume_ = 1;
  QLineEdit *name_, *loud_;
  QPushButton *choose_, *hear_;
};

}  // namespace bristle
