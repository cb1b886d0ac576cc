using System.Globalization;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.ResponseCompression;
using Serilog;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Tenancy;
using Zymethos.Web.Api;
using Zymethos.Web.Places.Account;
using Zymethos.Web.Places.Bench;
using Zymethos.Web.Places.Book;
using Zymethos.Web.Places.Daybook;
using Zymethos.Web.Places.Kitchen;
using Zymethos.Web.Places.Larder;
using Zymethos.Web.Places.OvenDay;
using Zymethos.Web.Places.Paper;
using Zymethos.Web.Places.Parcels;
using Zymethos.Web.Places.Season;
using Zymethos.Web.Places.Workshop;
using Zymethos.Web.Setup;
using Zymethos.Web.Setup.Devices;
using Zymethos.Work.Accounts;
using Zymethos.Work.Archive;
using Zymethos.Work.Benches;
using Zymethos.Work.Books;
using Zymethos.Work.Daybooks;
using Zymethos.Work.House;
using Zymethos.Work.Larder;
using Zymethos.Work.OvenDays;
using Zymethos.Work.Parcels;
using Zymethos.Work.Reminders;
using Zymethos.Work.Seasons;
using Zymethos.Work.Stock;
using Zymethos.Work.Today;
using Zymethos.Work.Workshop;

var builder = WebApplication.CreateBuilder(args);
builder.Host.UseSerilog(
    (context, log) => log.ReadFrom.Configuration(context.Configuration).WriteTo.Console(formatProvider: CultureInfo.InvariantCulture)
);

builder.AddTelemetry();

var proxy = BehindProxy.From(builder.Configuration);
if (proxy.Hosts.Length > 0)
    builder.Configuration["AllowedHosts"] = proxy.Hosts;
builder.WebHost.ConfigureKestrel(o => o.AddServerHeader = false);
builder.ServeLocalNetwork();
builder.Services.AddSingleton(proxy);
builder.Services.AddSingleton<SignInGuard>();
builder.Services.Configure<ForwardedHeadersOptions>(proxy.Apply);

var connection = PoolSize.Limited(
    builder.Configuration["ZYMETHOS_DB"]
        ?? throw new InvalidOperationException("ZYMETHOS_DB is not set. It holds the PostgreSQL connection string; ./start sets it.")
);
builder.Services.AddSingleton(AppSettings.From(builder.Configuration));
builder.Services.AddSingleton(FastClock.For(builder.Configuration["ZYMETHOS_SPEED"]));
builder.Services.AddHttpContextAccessor();
builder.Services.AddScoped<ICurrentKitchen, SignedInKitchen>();
builder.Services.AddZymethosStore(connection);
builder.Services.AddKeys(builder.Configuration);
builder.Services.AddAuthentication(IdentityConstants.ApplicationScheme).AddHelperDoor(proxy.IsTls).AddIdentityCookies();
builder
    .Services.AddIdentityCore<Baker>(AccountRules.Apply)
    .AddEntityFrameworkStores<ZymethosContext>()
    .AddPasswordValidator<CommonPasswords>()
    .AddSignInManager()
    .AddTokenProvider<DataProtectorTokenProvider<Baker>>(TokenOptions.DefaultProvider)
    .AddTokenProvider<AuthenticatorTokenProvider<Baker>>(TokenOptions.DefaultAuthenticatorProvider)
    .AddClaimsPrincipalFactory<BakerClaims>();
builder.Services.ConfigureApplicationCookie(o =>
{
    AccountRules.Apply(o, proxy.IsTls);
    SignIns.Apply(o);
    HelperDoor.AnswerScripts(o);
});
builder.Services.AddAuthorization(o =>
    o.AddPolicy(
        HelperDoor.Policy,
        p => p.AddAuthenticationSchemes(IdentityConstants.ApplicationScheme, HelperDoor.Scheme).RequireAuthenticatedUser()
    )
);
builder.Services.AddAntiforgery(o =>
{
    o.HeaderName = "X-Form-Token";
    o.Cookie.Name = proxy.IsTls ? "__Host-zymethos.form" : "zymethos.form";
    o.Cookie.SecurePolicy = proxy.IsTls ? CookieSecurePolicy.Always : CookieSecurePolicy.SameAsRequest;
    // Frames are refused for all pages by the policy, in one place.
    o.SuppressXFrameOptionsHeader = true;
});
builder
    .Services.AddRazorPages(o =>
    {
        o.RootDirectory = "/Places";
        o.Conventions.AuthorizeFolder("/");
        // All of the account but the page of whoever is signed in.
        foreach (var page in new[] { "SignIn", "SignOut", "Register", "Demo", "Forgotten", "Reset", "Address", "Second", "Come" })
            o.Conventions.AllowAnonymousToPage($"/Account/{page}");
        o.Conventions.AllowAnonymousToPage("/Bench/Join");
        o.Conventions.AuthorizePage("/Bench/At", HelperDoor.Policy);
        // What reckons without a kitchen is for everybody.
        o.Conventions.AllowAnonymousToPage("/Workshop/Index");
        o.Conventions.AllowAnonymousToPage("/Workshop/Cutting");
        o.Conventions.AllowAnonymousToPage("/Workshop/House");
        o.Conventions.AllowAnonymousToPage("/Workshop/Templates");
        o.Conventions.AllowAnonymousToPage("/Workshop/Reckon");
        o.Conventions.AllowAnonymousToPage("/Words");
        o.Conventions.AllowAnonymousToPage("/Help/Index");
        o.Conventions.AllowAnonymousToPage("/Error");
        o.Conventions.AllowAnonymousToPage("/NotFound");
        o.Conventions.AllowAnonymousToPage("/Theme");
    })
    .AddMvcOptions(o =>
    {
        o.ModelMetadataDetailsProviders.Add(new KeepEmptyText());
        o.Filters.Add<WholeForms>();
        // Names in the way of jQuery ("a[b]") are none of ours, and one that is not closed makes their reader fail.
        foreach (
            var jquery in o
                .ValueProviderFactories.Where(f => f is JQueryFormValueProviderFactory or JQueryQueryStringValueProviderFactory)
                .ToList()
        )
            o.ValueProviderFactories.Remove(jquery);
    });
builder.Services.AddExceptionHandler<ApiFailures>();
builder.Services.AddRouting(o => o.LowercaseUrls = true);
builder.Services.Configure<BrotliCompressionProviderOptions>(o => o.Level = System.IO.Compression.CompressionLevel.Optimal);
builder.Services.AddResponseCompression(o =>
{
    o.Providers.Add<BrotliCompressionProvider>();
    o.Providers.Add<GzipCompressionProvider>();
});
builder.Services.AddScoped<DemoDoor>();
builder.Services.AddScoped<KitchenClock>();
builder.Services.AddSingleton<WorkedOut>();
builder.Services.AddSingleton<Notices>();
builder.Services.AddSingleton(new NoticeAddress(connection));
builder.Services.AddHostedService<NoticeLine>();
builder.Services.AddSingleton<SolverGate>();
builder.Services.AddScoped<PlanDay>();
builder.Services.AddScoped<Surer>();
builder.Services.AddScoped<OpenDay>();
builder.Services.AddScoped<DayByHand>();
builder.Services.AddSingleton<LookGate>();
builder.Services.AddScoped<BenchDesk>();
builder.Services.AddScoped<BenchTelling>();
builder.Services.AddScoped<DaybookDesk>();
builder.Services.AddScoped<DaybookFile>();
builder.Services.AddScoped<StarterDiary>();
builder.Services.AddScoped<CakeDiary>();
builder.Services.AddScoped<ParcelPeople>();
builder.Services.AddScoped<GiftDesk>();
builder.Services.AddScoped<BoxShelf>();
builder.Services.AddScoped<StockShelf>();
builder.Services.AddScoped<PackageCodes>();
builder.Services.AddScoped<GiftLabels>();
builder.Services.AddScoped<ShopDesk>();
builder.Services.AddScoped<PaperDesk>();
builder.Services.AddScoped<LarderFile>();
builder.Services.AddScoped<ParcelFile>();
builder.Services.AddScoped<BenchPasses>();
builder.Services.AddScoped<BenchStream>();
builder.Services.AddScoped<BenchTraces>();
builder.Services.AddScoped<BenchPhotos>();
builder.Services.AddDevices(builder.Configuration);
builder.Services.AddScoped<KitchenBook>();
builder.Services.AddScoped<BookFile>();
builder.Services.AddScoped<CutterShelf>();
builder.Services.AddScoped<SheetShelf>();
builder.Services.AddScoped<TodayDesk>();
builder.Services.AddScoped<MakeNow>();
builder.Services.AddScoped<KitchenArchive>();
builder.Services.AddScoped<KitchenBringing>();
builder.Services.AddScoped<SeasonDesk>();
builder.Services.AddScoped<SeasonStock>();
builder.Services.AddScoped<SeasonImport>();
builder.Services.AddScoped<SeasonWorker>();
builder.Services.AddScoped<ReminderRound>();
builder.Services.AddScoped<AccountLetters>();
builder.Services.AddScoped<OwnPassword>();
builder.Services.AddScoped<Closing>();
builder.Services.AddScoped<Household>();
builder.Services.Configure<DataProtectionTokenProviderOptions>(o => o.TokenLifespan = TimeSpan.FromHours(2));
builder.Services.AddHostedService<ReminderClock>();
builder.Services.AddSingleton<IPost>(SmtpSettings.Read(builder.Configuration) is { } smtp ? new SmtpPost(smtp) : new LetterBoxOnly());
builder.Services.AddBackgroundWork(connection, builder.Configuration["ZYMETHOS_WORKER"] != "0");
builder.Services.AddOpenApi("v1");
builder.Services.AddHealthChecks().AddCheck<DatabaseReady>("database", tags: ["ready"]);
builder.Services.AddRateLimiter(o => ApiLimits.Apply(o, builder.Configuration));

var app = builder.Build();
if (args is [ResetLink.Word, var email])
    return await ResetLink.PrintAsync(app.Services, email);
await DatabaseStartup.RunAsync(app.Services, app.Lifetime.ApplicationStopping);

if (proxy.HasProxies)
    app.UseForwardedHeaders();
app.UseExceptionHandler("/error");
app.UseWhen(
    http => !http.Request.Path.StartsWithSegments("/api", StringComparison.OrdinalIgnoreCase),
    pages => pages.UseStatusCodePagesWithReExecute("/not-found", "?code={0}")
);
app.UseWhen(
    http => http.Request.Path.StartsWithSegments("/api", StringComparison.OrdinalIgnoreCase),
    api =>
        api.UseStatusCodePages(c =>
            Problems.WriteAsync(
                c.HttpContext,
                c.HttpContext.Response.StatusCode,
                "That is not how this is called.",
                $"{c.HttpContext.Request.Method} {c.HttpContext.Request.Path} was answered with {c.HttpContext.Response.StatusCode}. "
                    + "/openapi/v1.json says what there is.",
                c.HttpContext.RequestAborted
            )
        )
);
app.UseMiddleware<SecurityHeaders>();
app.UseResponseCompression();
StaticFiles.AddPlaces(app.Environment);
app.UseStaticFiles(StaticFiles.Options());
app.UseRouting();
app.UseRateLimiter();
app.UseAuthentication();
app.UseAuthorization();
app.UseMiddleware<HouseRoles>();
app.MapRazorPages();
app.MapOpenApi("/openapi/{documentName}.json").AllowAnonymous();
app.MapOvenDayApi();
app.MapMeasuresApi();
app.MapRecipesApi();
app.MapSeasonsApi();
app.MapWorkshopApi();
app.MapBookDownloads();
app.MapSeasonFiles();
app.MapDaybookFiles();
app.MapKitchenArchive();
app.MapCutters();
app.MapLarderFiles();
app.MapParcelFiles();
app.MapPaperFiles();
app.MapLongSearchEvents();
app.MapBenchApi();
app.MapDevicesApi();
app.MapHealth();
await app.RunAsync();
return 0;

/// <summary>The entry point, public so that tests can start the real server in process.</summary>
public partial class Program;
