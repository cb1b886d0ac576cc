using OpenQA.Selenium;
using OpenQA.Selenium.VirtualAuth;

namespace Zymethos.Browser.Tests;

/// <summary>Coming in: with a passkey of a device, as one of a household, and the first hour of somebody new.</summary>
[Collection(nameof(Site))]
public sealed class AccountTests(Site site)
{
    private const string Password = "three plums in a bowl";

    // Passkeys belong to a name; an address in numbers is none. The same server answers under both.
    private string Named(string path) => site.Address.Replace("127.0.0.1", "localhost", StringComparison.Ordinal) + path;

    private static void Register(Baker baker, string address, string kitchen, string email)
    {
        baker.Window.Navigate().GoToUrl(address);
        baker.Type("#KitchenName", kitchen);
        baker.Type("#Email", email);
        baker.Type("#Password", Password);
        baker.Press("form.card-paper button");
    }

    [Fact]
    public void A_passkey_is_made_opens_the_account_without_a_password_and_is_taken_away()
    {
        using var baker = new Baker(site);
        baker.Window.AddVirtualAuthenticator(
            new VirtualAuthenticatorOptions()
                .SetProtocol("ctap2")
                .SetTransport("internal")
                .SetHasResidentKey(true)
                .SetHasUserVerification(true)
                .SetIsUserVerified(true)
        );
        var email = $"{Guid.NewGuid():N}@home.invalid";
        Register(baker, Named("/account/register"), "Key House", email);
        baker.Until(() => baker.Window.Url.Contains("/today/first", StringComparison.Ordinal), "the kitchen is open");

        baker.Window.Navigate().GoToUrl(Named("/account/safety"));
        baker.Type("#device", "Kitchen tablet");
        baker.Type("#key", "not this one");
        baker.Press("form[data-passkey=make] button");
        baker.Until(
            () => baker.Text("form[data-passkey=make] .said-wrong").Contains("not your password", StringComparison.Ordinal),
            "it is refused"
        );
        baker.Type("#device", "Kitchen tablet");
        baker.Type("#key", Password);
        baker.Press("form[data-passkey=make] button");
        baker.Until(() => baker.All("form[action*=Forget]").Count == 1, "the passkey stands in the list");
        Assert.Contains("Kitchen tablet", baker.Text("section[aria-labelledby=passkeys]"), StringComparison.Ordinal);
        Assert.Empty(baker.Violations());

        baker.Window.Manage().Cookies.DeleteAllCookies();
        baker.Window.Navigate().GoToUrl(Named("/account/sign-in"));
        baker.Press(".passkey-door button");
        baker.Until(() => baker.Window.Url.Contains("/oven-day", StringComparison.Ordinal), "the passkey lets in");

        baker.Window.Navigate().GoToUrl(Named("/account/safety"));
        baker.Press("form[action*=Forget] button");
        baker.Until(() => baker.All("form[action*=Forget]").Count == 0, "it is taken away");
        baker.Window.Manage().Cookies.DeleteAllCookies();
        baker.Window.Navigate().GoToUrl(Named("/account/sign-in"));
        baker.Press(".passkey-door button");
        baker.Until(
            () => baker.Text(".card-paper:not(.demo-door)").Contains("does not open an account here", StringComparison.Ordinal),
            "what was taken away opens nothing"
        );
    }

    [Fact]
    public void The_first_hour_takes_a_new_baker_to_a_plan_in_few_steps()
    {
        using var baker = new Baker(site);
        // A step is a touch or a field: what a stopwatch would count.
        var steps = 4;
        Register(baker, site.Address + "/account/register", "Quay Cottage", $"{Guid.NewGuid():N}@home.invalid");
        baker.Until(() => baker.Window.Url.Contains("/today/first", StringComparison.Ordinal), "four questions are asked");
        Assert.Equal(4, baker.All(".first-four fieldset").Count);
        Assert.NotEqual("", baker.Attribute("#f-zone", "value"));
        baker.Type("#f-who", "Ola, Per");
        baker.Press(".first-four > button");
        steps += 2;
        baker.Until(() => baker.Window.Url.Contains("/today/make", StringComparison.Ordinal), "recipes are offered");
        Assert.Empty(baker.Violations());
        baker.Type(
            "#m-paste",
            """
            Oat crisps
            Makes 24
            120 g butter
            100 g brown sugar
            1 egg
            150 g plain flour
            80 g rolled oats
            1/2 tsp baking powder
            Heat the oven to 180 C. Beat the butter and sugar until pale. Beat in the egg. Stir in flour, oats and baking powder.
            Put spoonfuls on a lined tray and bake for 12 minutes until golden at the edges. Leave to cool on the tray for 5 minutes.
            """
        );
        baker.Press(".make-paste button");
        baker.Until(() => baker.Window.Url.Contains("/book/read/", StringComparison.Ordinal), "it is read");
        baker.Press(".doors form[action*=Keep] button");
        steps += 3;
        baker.Until(() => baker.All("#make-oat-crisps:checked").Count == 1, "it is ticked");
        baker.Press("#make-plum-street-butters");
        baker.Press("#make-market-squash-loaf");
        baker.Press("#plan button");
        steps += 3;
        baker.Until(() => baker.All(".trace").Count == 1, "the first plan stands", 60);
        Assert.Contains("Oat crisps", baker.Text(".legend"), StringComparison.Ordinal);
        Assert.InRange(steps, 1, 12);
        Assert.Empty(baker.ConsoleErrors());
    }

    [Fact]
    public void Two_bakers_and_a_helper_are_at_work_in_one_kitchen()
    {
        using var host = new Baker(site);
        Register(host, site.Address + "/account/register", "Three Hands", $"{Guid.NewGuid():N}@home.invalid");
        host.Until(() => host.Window.Url.Contains("/today/first", StringComparison.Ordinal), "the kitchen is open");
        string Invite(string role)
        {
            host.Go("/account/household");
            host.Press($"form[action*=Invite] button[value={role}]");
            return host.Attribute("#invitation-address", "href")!;
        }

        void Come(Baker guest, string link)
        {
            guest.Window.Navigate().GoToUrl(link);
            Register(guest, guest.Attribute("a[href^='/account/register']", "href")!, "Own", $"{Guid.NewGuid():N}@home.invalid");
            guest.Until(() => guest.All("#called").Count == 1, "the way leads back to the invitation");
            guest.Press("form.card-paper button");
            guest.Until(() => guest.Window.Url.Contains("/today", StringComparison.Ordinal), "the guest is in");
        }

        using var second = new Baker(site);
        using var helper = new Baker(site);
        Come(second, Invite("Baker"));
        Come(helper, Invite("Helper"));
        Assert.Single(helper.All(".helper-line"));
        Assert.Empty(second.All(".helper-line"));

        // The second baker plans, the host puts it on the Bench, the helper says what is done, and all of them see it.
        second.Go("/oven-day?date=2034-03-04");
        second.PutTogether("Pocket muffins");
        second.Press("#plan-button");
        second.Until(() => second.All(".trace").Count == 1, "the day is planned", 40);
        host.Go("/bench");
        host.Press("form[action*=Recipe] button");
        host.Until(() => host.Window.Url.Contains("/bench/", StringComparison.Ordinal), "the Bench is laid");
        helper.Go("/bench");
        helper.Until(() => helper.Window.Url.Contains("/bench/", StringComparison.Ordinal), "the helper finds the same Bench");
        Assert.Equal(new Uri(host.Window.Url).AbsolutePath, new Uri(helper.Window.Url).AbsolutePath);

        // What is for the bakers is refused, in words.
        helper.Go("/kitchen");
        helper.Window.ExecuteScript(
            "document.querySelector('#kitchen-form').removeAttribute('hx-post'); " + "document.querySelector('#kitchen-form').submit()"
        );
        helper.Until(() => helper.Text("h1").Contains("for the bakers", StringComparison.Ordinal), "it is refused");
    }
}
