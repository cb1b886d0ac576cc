// Passkeys: the browser and the device do the work (Web Authentication, level 3); the server asks and checks. Without them the password
// stays the way in.
const can = () => globalThis.PublicKeyCredential?.parseCreationOptionsFromJSON !== undefined;

const said = (form, words) => {
  const place = form.querySelector("[data-passkey-says]");
  if (place) place.textContent = words;
};

const optionsOf = async (form) => {
  const token = form.querySelector("input[name=__RequestVerificationToken]").value;
  const answer = await fetch(form.dataset.passkeyFrom, { method: "POST", headers: { "X-Form-Token": token } });
  if (!answer.ok) throw new Error(String(answer.status));
  return answer.json();
};

const words = (fault) =>
  fault?.name === "NotAllowedError" ? "That was broken off, or took too long. Try again."
    : fault?.name === "InvalidStateError" ? "This device has a passkey for your account already."
      : "This device could not do it. The password still lets you in.";

for (const form of document.querySelectorAll("form[data-passkey]")) {
  if (!can()) {
    form.hidden = true;
    continue;
  }
  form.hidden = false;
  form.addEventListener("submit", async (event) => {
    if (form.dataset.ready === "1") return;
    event.preventDefault();
    said(form, "");
    try {
      const options = await optionsOf(form);
      const made = form.dataset.passkey === "make"
        ? await navigator.credentials.create({ publicKey: PublicKeyCredential.parseCreationOptionsFromJSON(options) })
        : await navigator.credentials.get({ publicKey: PublicKeyCredential.parseRequestOptionsFromJSON(options) });
      form.querySelector("input[name=made]").value = JSON.stringify(made.toJSON());
      form.dataset.ready = "1";
      form.requestSubmit();
    } catch (fault) {
      said(form, words(fault));
    }
  });
}
