using System.Globalization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.ResponseCompression;
using NodaTime;
using Serilog;
using Zymethos.Store;
using Zymethos.Store.Accounts;
using Zymethos.Store.Tenancy;
using Zymethos.Web.Api;
using Zymethos.Web.Books;
using Zymethos.Web.LongSearches;
using Zymethos.Web.Mail;
using Zymethos.Web.OvenDays;
using Zymethos.Web.Seasons;
using Zymethos.Web.Setup;

var builder = WebApplication.CreateBuilder(args);
builder.Host.UseSerilog((context, log) => log.ReadFrom.Configuration(context.Configuration).WriteTo.Console(formatProvider: CultureInfo.InvariantCulture));

var connection = builder.Configuration["ZYMETHOS_DB"]
    ?? throw new InvalidOperationException("ZYMETHOS_DB is not set. It holds the PostgreSQL connection string; ./start sets it.");
builder.Services.AddSingleton(AppSettings.From(builder.Configuration));
builder.Services.AddSingleton<IClock>(SystemClock.Instance);
builder.Services.AddHttpContextAccessor();
builder.Services.AddScoped<ICurrentKitchen, SignedInKitchen>();
builder.Services.AddZymethosStore(connection);
builder.Services.AddDataProtection().SetApplicationName("Zymethos").PersistKeysToDbContext<ZymethosContext>();
builder.Services.AddAuthentication(IdentityConstants.ApplicationScheme).AddIdentityCookies();
builder.Services.AddIdentityCore<Baker>(AccountRules.Apply)
    .AddEntityFrameworkStores<ZymethosContext>()
    .AddSignInManager()
    .AddClaimsPrincipalFactory<BakerClaims>();
builder.Services.ConfigureApplicationCookie(AccountRules.Apply);
builder.Services.AddAuthorization();
builder.Services.AddAntiforgery(o => o.HeaderName = "X-Form-Token");
builder.Services.AddRazorPages(o =>
{
    o.Conventions.AuthorizeFolder("/");
    o.Conventions.AllowAnonymousToFolder("/Account");
    o.Conventions.AllowAnonymousToPage("/Error");
    o.Conventions.AllowAnonymousToPage("/NotFound");
    o.Conventions.AllowAnonymousToPage("/Theme");
}).AddMvcOptions(o => o.ModelMetadataDetailsProviders.Add(new KeepEmptyText()));
builder.Services.AddRouting(o => o.LowercaseUrls = true);
builder.Services.Configure<BrotliCompressionProviderOptions>(o => o.Level = System.IO.Compression.CompressionLevel.Optimal);
builder.Services.AddResponseCompression(o =>
{
    o.Providers.Add<BrotliCompressionProvider>();
    o.Providers.Add<GzipCompressionProvider>();
});
builder.Services.AddScoped<DemoDoor>();
builder.Services.AddScoped<KitchenClock>();
builder.Services.AddSingleton<SolverGate>();
builder.Services.AddScoped<PlanDay>();
builder.Services.AddScoped<OpenDay>();
builder.Services.AddScoped<DayByHand>();
builder.Services.AddScoped<KitchenBook>();
builder.Services.AddScoped<BookFile>();
builder.Services.AddScoped<SeasonDesk>();
builder.Services.AddScoped<SeasonImport>();
builder.Services.AddScoped<SeasonWorker>();
builder.Services.AddScoped<ReminderRound>();
builder.Services.AddHostedService<ReminderClock>();
builder.Services.AddSingleton<IPost>(SmtpSettings.Read(builder.Configuration) is { } smtp ? new SmtpPost(smtp) : new LetterBoxOnly());
builder.Services.AddBackgroundWork(connection);
builder.Services.AddOpenApi("v1");
builder.Services.AddHealthChecks().AddCheck<DatabaseReady>("database", tags: ["ready"]);
builder.Services.AddRateLimiter(o => ApiLimits.Apply(o, builder.Configuration));

var app = builder.Build();
await DatabaseStartup.RunAsync(app.Services, app.Lifetime.ApplicationStopping);

app.UseExceptionHandler("/error");
app.UseStatusCodePagesWithReExecute("/not-found", "?code={0}");
app.UseMiddleware<SecurityHeaders>();
app.UseResponseCompression();
app.UseStaticFiles(StaticFiles.Options());
app.UseRouting();
app.UseRateLimiter();
app.UseAuthentication();
app.UseAuthorization();
app.MapRazorPages();
app.MapOpenApi("/openapi/{documentName}.json").AllowAnonymous();
app.MapOvenDayApi();
app.MapMeasuresApi();
app.MapRecipesApi();
app.MapSeasonsApi();
app.MapBookDownloads();
app.MapSeasonFiles();
app.MapLongSearchEvents();
app.MapHealth();
await app.RunAsync();

/// <summary>The entry point, public so that tests can start the real server in process.</summary>
public partial class Program;
